import type { LeftFact, SheetAnswers } from '../kit.ts';
import { rowsOf, type RowAnswers } from '../rows-of.ts';
import { DEVICES, INSPECTED, TRIED, TRIED_ON, VISITS, VISITS_A_YEAR } from './keys/index.ts';

const DAY_MS = 86_400_000;
/** Every device is tried at least once in so many days. */
const A_YEAR = 365;

/** A device as far as it matters for when it is tried. */
export interface DeviceAge {
  /** The day it was tried last before this visit, as YYYY-MM-DD; null where nobody knows. */
  readonly last: string | null;
}

/** A day as a number of days; null where it is none. */
function dayNumber(day: unknown): number | null {
  const at = typeof day === 'string' ? Date.parse(`${day.slice(0, 10)}T00:00:00Z`) : Number.NaN;
  return Number.isNaN(at) ? null : at / DAY_MS;
}

/**
 * Which devices are due at a visit, by their places in the list: the same share at each visit of the year, those
 * first that were tried longest ago, and those nobody knows of before all; besides, every one that would be
 * more than a year untried at the visit after. What is tried at this visit changes nothing of it. `visitsAYear`
 * is a whole number from 1 to 52, `day` the day of the visit as YYYY-MM-DD; without it only the share counts.
 * Source: common practice where a system is inspected in parts over a year; no standard names this way.
 * Throws a RangeError for other visits a year.
 */
export function dueAtVisit(
  devices: readonly DeviceAge[],
  visitsAYear: number,
  day: string | null,
): ReadonlySet<number> {
  if (!(Number.isInteger(visitsAYear) && visitsAYear >= 1 && visitsAYear <= 52))
    throw new RangeError('A system is visited 1 to 52 times a year.');
  const ages = devices.map(({ last }, place) => ({ place, last: dayNumber(last) }));
  const today = dayNumber(day);
  const never = Number.NEGATIVE_INFINITY;
  // Those that nobody tried come first; of one day, as they stand.
  const oldestFirst = [...ages].sort(
    (a, b) => Math.sign((a.last ?? never) - (b.last ?? never)) || a.place - b.place,
  );
  const due = new Set(
    oldestFirst.slice(0, Math.ceil(devices.length / visitsAYear)).map(({ place }) => place),
  );
  if (today === null) return due;
  const next = today + A_YEAR / visitsAYear;
  for (const { place, last } of ages) if (last === null || last + A_YEAR < next) due.add(place);
  return due;
}

/** Which devices of a sheet are due at its visit; all of them where nobody says how often it is visited. */
export function devicesDue(answers: SheetAnswers): ReadonlySet<number> {
  const day = answers[INSPECTED];
  return dueAtVisit(
    rowsOf(answers[DEVICES]).map(ageOf),
    visitsOf(answers[VISITS]),
    typeof day === 'string' ? day : null,
  );
}

const visitsOf = (said: unknown): number =>
  Object.entries(VISITS_A_YEAR).find(([word]) => word === said)?.[1] ?? 1;

const ageOf = (device: RowAnswers): DeviceAge => {
  const last = device[TRIED_ON];
  return { last: typeof last === 'string' ? last : null };
};

/** The next visit is told of each device when it was tried last: it chooses by that. */
export function daysLeft(answers: SheetAnswers): readonly LeftFact[] {
  const day = answers[INSPECTED];
  if (typeof day !== 'string') return [];
  return rowsOf(answers[DEVICES]).flatMap((device, at) =>
    device[TRIED] === 'done' ? [{ group: DEVICES, at, key: TRIED_ON, value: day }] : [],
  );
}
