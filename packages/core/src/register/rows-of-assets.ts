import type { RowValue } from '../log/index.ts';
import { rowPath } from '../log/index.ts';
import type { QuestionState, SheetState } from '../sheet/index.ts';
import { byName, sameKind, type Asset } from './asset.ts';
import { heldBy } from './tree.ts';

/** A row to be written for an asset. */
export interface AssetRow {
  readonly path: string;
  readonly value: RowValue;
}

type Registered = Pick<Asset, 'id' | 'kind' | 'name' | 'retired' | 'within' | 'area' | 'alsoIn'>;

/**
 * The rows that assets of the register would have in a group and do not have yet. A sheet about one thing (by its id)
 * has those that stand in it or belong to it, where there are some: two systems at a place have devices each.
 */
export function assetRows(
  group: QuestionState,
  assets: readonly Registered[],
  about: string | null = null,
): readonly AssetRow[] {
  const { question, path, rows } = group;
  if (question.kind !== 'rows' || question.of === undefined) return [];
  const kind = question.of;
  const there = new Set(rows.map((row) => row.id));
  const last = rows.reduce((most, row) => Math.max(most, row.order), 0);
  const wanted = assets.filter((asset) => !asset.retired && sameKind(asset.kind, kind));
  const held = about === null ? null : new Set([about, ...heldBy(about, assets)]);
  const own = wanted.filter(
    ({ id, alsoIn }) => held?.has(id) === true || alsoIn.some((each) => held?.has(each)),
  );
  return (own.length > 0 ? own : wanted)
    .filter(({ id }) => !there.has(id))
    .sort(byName)
    .map(({ id, name }, index) => ({
      path: rowPath(path, id),
      value: { order: last + index + 1, name },
    }));
}

/** A thing that a row of a sheet stands for. */
export interface RowThing {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Every thing that has a row in a group of things: those that the register lacks were found on site. */
export function thingsIn(state: SheetState): readonly RowThing[] {
  const found: RowThing[] = [];
  const look = (questions: readonly QuestionState[]): void => {
    for (const { question, rows } of questions) {
      if (question.kind !== 'rows') continue;
      for (const row of rows) {
        if (question.of !== undefined && UUID.test(row.id))
          found.push({ id: row.id, kind: question.of.trim(), name: row.name });
        look(row.questions);
      }
    }
  };
  for (const section of state.sections) look(section.questions);
  return found;
}
