import type { SheetAnswers } from '../kit.ts';
import { rowsOf, type RowAnswers } from '../rows-of.ts';

/**
 * Where a row stands on a sketch: questions of its, in percent from the left and from the top, and where there are
 * several sketches, what the one it stands on is called.
 */
export const MARK = { x: 'mark_x', y: 'mark_y', on: 'mark_on' } as const;

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

/**
 * Where each row of a group stands on the sketch of this name, in their order. A sheet’s only sketch needs none:
 * what has a place stands on it.
 */
export const marksIn = (
  answers: SheetAnswers,
  group: string,
  sketch: string | null = null,
): readonly (SketchPlace | null)[] =>
  rowsOf(answers[group]).map((row) =>
    sketch === null || row[MARK.on] === sketch ? markOf(row) : null,
  );

/** The name that `marksIn` asks for, of one among so many sketches. */
export const nameAmong = (
  sketches: readonly { readonly name: string }[],
  at: number,
): string | null => (sketches.length > 1 ? (sketches[at]?.name ?? null) : null);

/** A share of the sketch as the percent it is kept as; what lies beside it is at its edge. */
export const markPercent = (share: number): number =>
  Math.round(Math.min(1, Math.max(0, share)) * 1000) / 10;
