import type { SheetAnswers } from '../kit.ts';
import { rowsOf } from '../rows-of.ts';
import { CONDITIONS, MARK, URGENCY } from './keys/index.ts';

export const URGENCIES = ['now', 'soon', 'watch'] as const;
export type Urgency = (typeof URGENCIES)[number];

/** Something to be put right: its number is the same in words, on the sketch and in the report. */
export interface Condition {
  /** Its place among the rows. */
  readonly at: number;
  readonly number: number;
  readonly urgency: Urgency | null;
  /** On the sketch, from its upper left, 0 to 1; null where it is not on it. */
  readonly mark: { readonly x: number; readonly y: number } | null;
}

/** A share of the sketch from percent; null for what lies beside it. */
const shareAt = (value: unknown): number | null =>
  typeof value === 'number' && value >= 0 && value <= 100 ? value / 100 : null;

export const conditionsOf = (answers: SheetAnswers): readonly Condition[] =>
  rowsOf(answers[CONDITIONS]).map((row, at) => {
    const [x, y] = [shareAt(row[MARK.x]), shareAt(row[MARK.y])];
    return {
      ...{ at, number: at + 1 },
      urgency: URGENCIES.find((each) => each === row[URGENCY]) ?? null,
      mark: x === null || y === null ? null : { x, y },
    };
  });
