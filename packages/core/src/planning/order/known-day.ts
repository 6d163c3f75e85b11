import { weekdayOf } from '../../calendar/index.ts';
import type { WorkingHours } from '../suits.ts';
import type { Span } from './problem.ts';

/** When somebody promised to be there, in minutes of the day; null where nothing is promised. */
export const promisedSpan = ({
  windowFrom,
  windowTo,
}: {
  readonly windowFrom: number | null;
  readonly windowTo: number | null;
}): Span | null =>
  windowFrom === null && windowTo === null
    ? null
    : { from: windowFrom ?? 0, to: windowTo ?? 24 * 60 };

/** Somebody’s hours of a day, in their order. */
export function hoursOfDay(hours: readonly WorkingHours[], day: string): Span[] {
  const weekday = weekdayOf(day);
  return hours
    .filter((each) => each.weekday === weekday)
    .map(({ from, to }) => ({ from, to }))
    .sort((a, b) => a.from - b.from);
}
