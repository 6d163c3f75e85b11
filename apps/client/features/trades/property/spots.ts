import { rowPath } from '@ant-trail/core/log';
import { numberOf, textOf, type RowState } from '@ant-trail/core/sheet';
import { ACROSS, MATERIAL, SPOTS, UP, WET } from '@ant-trail/core/trades/property/keys';
import type { Material, Place, Spot } from '@ant-trail/core/trades/property';
import type { Said } from '../part.ts';
import type { PropertyKit } from './use-property.ts';

const answerIn = (row: RowState, key: string) =>
  row.questions.find(({ question }) => question.key === key);

/** A number as it was entered in the unit of its question; null where nothing was. */
function valueIn(row: RowState, key: string): number | null {
  const state = answerIn(row, key);
  return state?.answer ? numberOf(state.answer.value) : null;
}

/** A place on a wall where something is read, or is to be. */
export interface Laid {
  readonly path: string;
  readonly name: string;
  readonly across: number | null;
  readonly up: number | null;
  readonly wet: number | null;
}

/** The places of a wall, in their order. */
export const laidOn = (wall: RowState): readonly Laid[] =>
  (answerIn(wall, SPOTS)?.rows ?? []).map((row) => ({
    ...{ path: row.path, name: row.name },
    ...{ across: valueIn(row, ACROSS), up: valueIn(row, UP), wet: valueIn(row, WET) },
  }));

/** A place that is known, and not read yet. */
export const isLaid = (spot: Laid): spot is Laid & Pick<Spot, 'across' | 'up'> =>
  spot.across !== null && spot.up !== null && spot.wet === null;

export const isRead = (spot: Laid): spot is Laid & Spot =>
  spot.across !== null && spot.up !== null && spot.wet !== null;

export function materialOf(kit: PropertyKit, wall: RowState): Material | null {
  const said = answerIn(wall, MATERIAL)?.answer;
  return kit.MATERIALS.find((each) => said && each === textOf(said.value)) ?? null;
}

/** What is said to lay places out on a wall: a row for each, with where it lies. */
export const saidForPlaces = (
  wall: RowState,
  places: readonly Place[],
  newRow: () => string,
): readonly Said[] => {
  const group = `${wall.path}/${SPOTS}`;
  const begins = Math.max(0, ...(answerIn(wall, SPOTS)?.rows ?? []).map(({ order }) => order));
  return places.flatMap(({ name, across, up }, at): Said[] => {
    const path = rowPath(group, newRow());
    return [
      { path, value: { order: begins + at + 1, name } },
      { path: `${path}/${ACROSS}`, value: across, unit: 'm' },
      { path: `${path}/${UP}`, value: up, unit: 'm' },
    ];
  });
};

/** How many more places a wall takes by its template; null where that sets no end. */
export function roomOn(wall: RowState): number | null {
  const group = answerIn(wall, SPOTS);
  const most = group?.question.kind === 'rows' ? group.question.most : undefined;
  return most === undefined ? null : most - (group?.rows.length ?? 0);
}
