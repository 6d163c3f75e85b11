import type { CoverValue } from './answer-value.ts';
import type { Entry } from './entry.ts';

/** Whether a value says what a move of the sheet had before it. */
export const isCover = (value: unknown): value is CoverValue =>
  typeof value === 'object' && value !== null && 'covered' in value;

/**
 * What an author knows of a sheet, in brief: ids of one device always rise, so that the last one of
 * each device stands for all of its entries before it.
 */
export function coverOf(entries: Iterable<Entry>): CoverValue {
  const covered: Record<string, string> = {};
  for (const { device, id } of entries) {
    const last = Object.hasOwn(covered, device) ? covered[device] : undefined;
    if (last === undefined || last < id) covered[device] = id;
  }
  return { covered };
}

/**
 * Whether a finish or an approval had an entry before it, by what its author knew and not by clocks.
 * Moves written before covers were kept go by the order of ids.
 */
export function covers(move: Entry, entry: Entry): boolean {
  if (!isCover(move.value)) return entry.id <= move.id;
  const { covered } = move.value;
  const last = Object.hasOwn(covered, entry.device) ? covered[entry.device] : undefined;
  return entry.id === move.id || (last !== undefined && entry.id <= last);
}
