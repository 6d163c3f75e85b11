import type { SheetAnswers } from '../kit.ts';
import { markOf, type SketchPlace } from '../mark/index.ts';
import { rowsOf } from '../rows-of.ts';
import { CONDITIONS, URGENCY } from './keys/index.ts';

export const URGENCIES = ['now', 'soon', 'watch'] as const;
export type Urgency = (typeof URGENCIES)[number];

/** Something to be put right: its number is the same in words, on the sketch and in the report. */
export interface Condition {
  /** Its place among the rows. */
  readonly at: number;
  readonly number: number;
  readonly urgency: Urgency | null;
  /** On the sketch, from its upper left, 0 to 1; null where it is not on it. */
  readonly mark: SketchPlace | null;
}

export const conditionsOf = (answers: SheetAnswers): readonly Condition[] =>
  rowsOf(answers[CONDITIONS]).map((row, at) => ({
    ...{ at, number: at + 1 },
    urgency: URGENCIES.find((each) => each === row[URGENCY]) ?? null,
    mark: markOf(row),
  }));
