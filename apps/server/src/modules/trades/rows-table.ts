import { sayRange } from '@ant-trail/core/measure';
import {
  isReading,
  isSaid,
  questionAtPath,
  sayState,
  type QuestionState,
  type RowState,
  type SheetState,
} from '@ant-trail/core/sheet';
import type { Paper } from '../../paper/paper.ts';
import { drawSchedule, type Cell, type Column } from '../../paper/schedule.ts';

/** Words take more room than figures. */
const SHARES: Readonly<Record<string, number>> = { text: 2.4, lookup: 2, choice: 1.6, yesNo: 0.9 };

const asItIs = (day: string): string => day;

/** The rows of a group at the top of a sheet; none where it is not asked. */
export const rowsAt = (state: SheetState, key: string): readonly RowState[] =>
  questionAtPath(state, key)?.rows ?? [];

/** A line for each row; what is said of none of them has no column. */
export function writeTable(
  paper: Paper,
  rows: readonly RowState[],
  first: Column,
  {
    nameOf = ({ name }) => name,
    without = [],
  }: {
    readonly nameOf?: (row: RowState) => string;
    /** Keys of questions that are told otherwise. */
    readonly without?: readonly string[];
  } = {},
): void {
  const asked = new Map<string, QuestionState>();
  for (const row of rows)
    for (const state of row.questions)
      if (
        state.question.kind !== 'rows' &&
        isSaid(state) &&
        !state.closedOut &&
        !without.includes(state.question.key)
      )
        asked.set(state.question.key, state);
  const order = [...(longest(rows)?.questions ?? []), ...asked.values()].map(
    ({ question }) => question.key,
  );
  const keys = [...new Set(order)].filter((key) => asked.has(key));
  const columns = keys.map((key): Column => {
    const kind = asked.get(key)?.question.kind ?? 'text';
    return { head: asked.get(key)?.question.label ?? '', share: SHARES[kind] ?? 1.1 };
  });
  drawSchedule(
    paper,
    [first, ...columns],
    rows.map((row) => [
      { words: nameOf(row) },
      ...keys.map((key) => cellOf(row.questions.find(({ question }) => question.key === key))),
    ]),
  );
}

const longest = (rows: readonly RowState[]): RowState | undefined =>
  [...rows].sort((a, b) => b.questions.length - a.questions.length)[0];

/** What is said, and below it the limit where each row has its own. */
function cellOf(state: QuestionState | undefined): Cell {
  if (!state || !isSaid(state)) return { words: '–' };
  if (state.closedOut) return { words: 'n/a' };
  const { question, expected, alert, findings } = state;
  const own = 'highFrom' in question || 'lowFrom' in question;
  const limit =
    isReading(question) && own && expected ? `\n${sayRange(expected, '')}`.trimEnd() : '';
  return {
    words: `${sayState(state, asItIs)}${limit}`,
    amiss: alert !== null || (findings[0]?.severity ?? 0) >= 2,
  };
}
