import type { SheetAnswers } from '../kit.ts';
import { rowsOf, type RowAnswers } from '../rows-of.ts';

/** Where a row stands on the sheet's sketch: questions of its, in percent from the left and from the top. */
export const MARK = { x: 'mark_x', y: 'mark_y' } as const;

/** A place on a sketch, from its upper left, 0 to 1. */
export interface SketchPlace {
  readonly x: number;
  readonly y: number;
}

/** A share of the sketch from percent; null for what lies beside it. */
const shareAt = (value: unknown): number | null =>
  typeof value === 'number' && value >= 0 && value <= 100 ? value / 100 : null;

/** Where a row stands on the sketch; null where it is not on it. */
export function markOf(row: RowAnswers): SketchPlace | null {
  const [x, y] = [shareAt(row[MARK.x]), shareAt(row[MARK.y])];
  return x === null || y === null ? null : { x, y };
}

/** Where each row of a group stands, in their order. */
export const marksIn = (answers: SheetAnswers, group: string): readonly (SketchPlace | null)[] =>
  rowsOf(answers[group]).map(markOf);

/** A share of the sketch as the percent it is kept as; what lies beside it is at its edge. */
export const markPercent = (share: number): number =>
  Math.round(Math.min(1, Math.max(0, share)) * 1000) / 10;
