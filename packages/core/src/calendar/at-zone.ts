import { inZone } from './local.ts';

const MINUTE_MS = 60_000;

/**
 * The instant at which a clock on the wall shows a minute (since midnight) of a day, in a time zone of
 * the IANA database. Of an hour that comes twice the first one is meant; of one that is left out, as
 * much later as clocks are put forward. Throws a RangeError for an unknown zone.
 */
export function atZone(day: string, minute: number, timeZone: string): Date {
  const wall = Date.parse(`${day}T00:00:00Z`) + minute * MINUTE_MS;
  const wallOf = (at: number): number => {
    const here = inZone(new Date(at), timeZone);
    return Date.parse(`${here.day}T00:00:00Z`) + here.minute * MINUTE_MS;
  };
  // What the clock is ahead by a day before and a day after: at most one change lies between.
  const offsets = [-1, 1].map((days) => {
    const at = wall + days * 24 * 60 * MINUTE_MS;
    return wallOf(at) - at;
  });
  const fitting = offsets.map((offset) => wall - offset).filter((at) => wallOf(at) === wall);
  const [before = 0] = offsets;
  return new Date(fitting.length > 0 ? Math.min(...fitting) : wall - before);
}
