import { isAsked, type QuestionState, type RowState } from '@ant-trail/core/sheet';
import { TRIED, TRIED_ON, ZONE } from '@ant-trail/core/trades/alarm/keys';
import type { Said } from '../part.ts';

export const FILTERS = ['due today', 'not tried', 'needs eyes', 'all'] as const;
export type Filter = (typeof FILTERS)[number];

/** Whether it is still to be said: the trial itself, and what must be said or would have to be with it. */
const isOpen = ({ question, required, answer, closedOut }: QuestionState): boolean =>
  isAsked(question) &&
  (required || question.key === TRIED || question.requiredWhen !== undefined) &&
  answer === null &&
  closedOut === null;

export const isDone = (row: RowState): boolean =>
  row.tally.answered > 0 && row.looseEnds.length === 0;

export const isAmiss = ({ questions }: RowState): boolean =>
  questions.some(
    ({ alert, findings, answer }) =>
      alert !== null || (findings[0]?.severity ?? 0) >= 2 || answer?.value === 'not',
  );

/** How a row stands, as a mark. */
export function markOf(row: RowState): 'needs eyes' | 'finished' | 'under way' | 'planned' {
  if (isAmiss(row)) return 'needs eyes';
  if (isDone(row)) return 'finished';
  return row.tally.answered > 0 ? 'under way' : 'planned';
}

/** Whether a device has nothing said of how it did: what it is and where it hangs is no trial. */
export const isLeft = (row: RowState): boolean =>
  row.questions.some(
    (state) =>
      (state.question.kind === 'performed' || state.question.kind === 'yesNo') && isOpen(state),
  );

export function isShown(row: RowState, filter: Filter, isDue: boolean): boolean {
  if (filter === 'all') return true;
  if (filter === 'needs eyes') return isAmiss(row);
  return isLeft(row) && (filter === 'not tried' || isDue);
}

/** What it means that a device passed: all that is to be tried was, and is as it should be. */
export const passing = (row: RowState): Said[] =>
  row.questions.filter(isOpen).flatMap(({ path, question }) => {
    if (question.kind === 'performed') return [{ path, value: 'done' }];
    return question.kind === 'yesNo' ? [{ path, value: 'yes' }] : [];
  });

/** The same taken back, as far as it still stands: what somebody said otherwise since is theirs. */
export function takenBack(said: readonly Said[], rows: readonly RowState[]): Said[] {
  const now = new Map(
    rows.flatMap(({ questions }) => questions.map(({ path, answer }) => [path, answer?.value])),
  );
  return said
    .filter(({ path, value }) => now.get(path) === value)
    .map(({ path }) => ({ path, value: null }));
}

function wordsAt(row: RowState, key: string): string {
  const value = row.questions.find(({ question }) => question.key === key)?.answer?.value;
  return typeof value === 'string' ? value : '';
}

export const zoneOf = (row: RowState): string => wordsAt(row, ZONE);

/** The day it was tried last, before this visit; empty where nobody knows. */
export const lastTriedOf = (row: RowState): string => wordsAt(row, TRIED_ON);

/** Devices zone by zone, in the order in which the first of each stands; those of none come last. */
export function byZone(rows: readonly RowState[]): readonly (readonly [string, RowState[]])[] {
  const zones = new Map<string, RowState[]>();
  for (const row of rows) {
    const zone = zoneOf(row);
    const there = zones.get(zone);
    if (there) there.push(row);
    else zones.set(zone, [row]);
  }
  return [...zones].sort(([a], [b]) => Number(a === '') - Number(b === ''));
}
