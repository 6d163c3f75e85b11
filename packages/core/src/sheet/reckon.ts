import { RESERVED_NAMES } from '../logic/index.ts';
import type { Reckoned, SheetAnswers } from '../trades/kit.ts';
import type { PlannedReckoning } from './planned.ts';
import type { Scope } from './row-group.ts';

/** What stands among the answers and is none. */
const NO_ANSWERS = new Set<string>(RESERVED_NAMES.filter((name) => name !== 'programme'));

/** Runs a kit's reckoning over what is answered, without the answers that wait for it. */
export function reckonOver(reckoning: PlannedReckoning, root: Scope): Reckoned {
  const unseen = new Set([
    ...NO_ANSWERS,
    ...reckoning.waiting,
    ...reckoning.results.map(({ name }) => name),
  ]);
  try {
    return reckoning.run(without(root.answers, unseen));
  } catch {
    // As with a function of a kit: nothing can be told of such figures, and the sheet stays open.
    return {};
  }
}

function without(answers: SheetAnswers, unseen: ReadonlySet<string>): SheetAnswers {
  const kept: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(answers))
    if (!unseen.has(key))
      kept[key] = Array.isArray(value) ? value.map((item) => rowOf(item, unseen)) : value;
  return kept;
}

const rowOf = (item: unknown, unseen: ReadonlySet<string>): unknown =>
  typeof item === 'object' && item !== null ? without(item as SheetAnswers, unseen) : item;

export const reckonedValue = (value: unknown): number | string | boolean | null =>
  typeof value === 'string' || typeof value === 'boolean' || Number.isFinite(value)
    ? (value as number | string | boolean)
    : null;
