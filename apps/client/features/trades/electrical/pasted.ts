import { rowPath, type AnswerValue } from '@ant-trail/core/log';
import { isForCell, readCell, writeCell } from '@ant-trail/core/exchange';
import type { Catalogue } from '@ant-trail/core/catalogues';
import { type Question, type QuestionState, type RowState } from '@ant-trail/core/sheet';
import { shortWay, wayName } from '@ant-trail/core/trades/electrical/keys';
import type { Said } from '../part.ts';

/** The column that names a way. */
const NAME = 'name';

/** A column of the table: the way’s own name, or a question. */
export interface GridColumn {
  readonly key: string;
  readonly label: string;
  /** Null for the name. */
  readonly question: Question | null;
  /** Whether it can be written in; what is worked out can’t. */
  readonly isOpen: boolean;
}

/** The table’s columns, as the template asks. */
export function columnsOf({ question }: QuestionState): GridColumn[] {
  if (question.kind !== 'rows') return [];
  return [
    { key: NAME, label: 'Way', question: null, isOpen: question.fixed !== true },
    ...question.questions
      .filter((each) => each.kind === 'calculated' || isForCell(each))
      .map((each) => ({
        ...{ key: each.key, label: each.label, question: each },
        isOpen: each.kind !== 'calculated',
      })),
  ];
}

export const cellText = (row: RowState, { key, question }: GridColumn): string => {
  if (question === null) return shortWay(row.name);
  const state = row.questions.find((each) => each.question.key === key);
  return state ? writeCell(state) : '';
};

/** What could not be taken in, by the path it was meant for. */
export type Refused = ReadonlyMap<string, { readonly words: string; readonly why: string }>;

export interface TakenIn {
  readonly said: readonly Said[];
  /** What stood there before, to take it all back. */
  readonly before: readonly Said[];
  readonly refused: Refused;
  /** What stood in the cell of each thing that is said. */
  readonly written: ReadonlyMap<string, string>;
}

interface Into {
  readonly group: QuestionState;
  readonly columns: readonly GridColumn[];
  readonly lists: ReadonlyMap<string, Catalogue | null>;
  readonly newId: () => string;
}

/**
 * Reads a block of cells into the table from a row and a column on: below the last row new ones begin.
 * Each cell stands for itself: one that can’t be an answer holds up no other.
 */
export function takeIn(
  cells: readonly (readonly string[])[],
  from: { readonly row: number; readonly column: number },
  { group, columns, lists, newId }: Into,
): TakenIn {
  const said: Said[] = [];
  const before: Said[] = [];
  const refused = new Map<string, { words: string; why: string }>();
  const written = new Map<string, string>();
  let last = Math.max(0, ...group.rows.map(({ order }) => order));
  const mayAdd = group.question.kind === 'rows' && group.question.fixed !== true;
  cells.forEach((line, down) => {
    const at = from.row + down;
    const row = group.rows[at];
    if (!row && (!mayAdd || line.every((cell) => cell.trim() === ''))) return;
    const named = from.column === 0 ? wayName(line[0]?.trim() ?? '') : '';
    const path = row?.path ?? rowPath(group.path, newId());
    if (!row || (named && named !== row.name)) {
      const order = row?.order ?? ++last;
      const value = { order, name: named || (row?.name ?? wayName(String(at + 1))) };
      said.push({ path, value });
      before.push({ path, value: row ? { order, name: row.name } : null });
    }
    line.forEach((cell, across) => {
      const column = columns[from.column + across];
      if (!column?.question || !column.isOpen) return;
      const { question } = column;
      const to = `${path}/${column.key}`;
      const state = row?.questions.find((each) => each.question.key === column.key);
      const list = question.kind === 'lookup' ? (lists.get(question.catalogue) ?? null) : null;
      const read = readCell(question, cell, list);
      if ('problem' in read) refused.set(to, { words: cell, why: read.problem });
      else if (!isSame(state, read.value)) {
        said.push({ path: to, ...read });
        written.set(to, cell);
        before.push(asItWas(to, state));
      }
    });
  });
  return { said, before: before.reverse(), refused, written };
}

const isSame = (state: QuestionState | undefined, value: AnswerValue | null): boolean =>
  JSON.stringify(state?.answer?.value ?? null) === JSON.stringify(value);

const asItWas = (path: string, state: QuestionState | undefined): Said => {
  const { value = null, unit } = state?.answer ?? {};
  return { path, value, ...(unit === undefined ? {} : { unit }) };
};
