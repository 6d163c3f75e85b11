import type { Reckoned, SheetAnswers } from '../trades/kit.ts';
import type { PlannedReckoning } from './plan.ts';
import type { Scope } from './row-group.ts';

/** Runs a kit's reckoning over what is answered, without the answers that wait for it. */
export function reckonOver(reckoning: PlannedReckoning, root: Scope): Reckoned {
  try {
    return reckoning.run(without(root.answers, reckoning.waiting));
  } catch (error) {
    // Figures that fit no reckoning, such as a negative length: nothing can be told of them.
    if (error instanceof RangeError) return {};
    throw error;
  }
}

function without(answers: SheetAnswers, waiting: ReadonlySet<string>): SheetAnswers {
  const kept: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(answers))
    if (key !== 'given' && !waiting.has(key) && !/[A-Z]/.test(key))
      kept[key] = Array.isArray(value) ? value.map((item) => rowOf(item, waiting)) : value;
  return kept;
}

const rowOf = (item: unknown, waiting: ReadonlySet<string>): unknown =>
  typeof item === 'object' && item !== null ? without(item as SheetAnswers, waiting) : item;

export const reckonedValue = (value: unknown): number | string | boolean | null =>
  typeof value === 'string' || typeof value === 'boolean' || Number.isFinite(value)
    ? (value as number | string | boolean)
    : null;
