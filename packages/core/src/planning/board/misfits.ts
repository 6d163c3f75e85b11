import { heldOf, measuresOf, sumOf, type LoadOf } from '../loads.ts';
import { shortfalls, type Worker } from '../suits.ts';
import { turningBack } from '../visit.ts';
import {
  byHour,
  endOf,
  isAhead,
  isPast,
  type BoardVisit,
  type WayMinutes,
  WAY_ROUNDING,
} from './board-visit.ts';

/** Why a plan can't be walked as it stands. Minutes; words are made where it is shown. */
export type Misfit =
  /** Somebody would be at two places, for so many minutes. */
  | {
      readonly code: 'overlap';
      readonly visit: string;
      readonly with: string;
      readonly minutes: number;
    }
  /** The way from the visit before takes longer than there is time for it. */
  | {
      readonly code: 'too far';
      readonly visit: string;
      readonly from: string;
      readonly takes: number;
      readonly has: number;
    }
  | {
      readonly code: 'promise';
      readonly visit: string;
      readonly from: number | null;
      readonly to: number | null;
    }
  | {
      readonly code: 'outside hours';
      readonly visit: string;
      readonly hours: readonly { readonly from: number; readonly to: number }[];
    }
  | { readonly code: 'absent'; readonly visit: string; readonly why: string }
  /** With it the day takes more of a measure than the person’s vehicle holds. */
  | {
      readonly code: 'vehicle';
      readonly visit: string;
      readonly what: string;
      readonly takes: number;
      readonly holds: number;
    };

/** Somebody's hours and days off; of who has none set down any hour is as good. */
export type Hours = Pick<Worker, 'hours' | 'absences'> & {
  /** What their vehicle holds; all of it where nothing is known. */
  readonly holds?: readonly LoadOf[];
};

const NOTHING_DEMANDED = { credentials: [], skills: [] };

/**
 * What of one person's visits on one day can't be done as it is planned, in the order of the day. What
 * is over, or was begun already, is judged no more: it is as it is.
 */
export function misfits(
  visits: readonly BoardVisit[],
  person: Hours,
  day: string,
  way: WayMinutes,
): Misfit[] {
  const found: Misfit[] = [];
  /** The one that keeps the person longest, of those before. */
  let busiest: BoardVisit | null = null;
  for (const visit of byHour(visits.filter((each) => !isPast(each)))) {
    if (busiest && isAhead(visit)) found.push(...between(busiest, visit, way));
    if (isAhead(visit)) found.push(...alone(visit, person, day));
    if (!busiest || endOf(visit) > endOf(busiest)) busiest = visit;
  }
  return [...found, ...tooMuch(visits, person)];
}

/** The first visit with which a day is too much for the vehicle, by measure. */
function tooMuch(all: readonly BoardVisit[], { holds = [] }: Hours): Misfit[] {
  const carried = byHour(all.filter(({ events }) => turningBack(events) === null));
  return [...measuresOf(carried)].flatMap(([measure, what]): Misfit[] => {
    const held = heldOf(measure, holds);
    const takes = sumOf(measure, carried);
    if (takes <= held) return [];
    const first = carried.findIndex((_, at) => sumOf(measure, carried.slice(0, at + 1)) > held);
    const visit = carried.slice(first).find(isAhead);
    return visit ? [{ code: 'vehicle', visit: visit.id, what, takes, holds: held }] : [];
  });
}

function between(before: BoardVisit, visit: BoardVisit, way: WayMinutes): Misfit[] {
  const has = visit.start - endOf(before);
  if (has < 0) {
    const minutes = Math.min(endOf(before), endOf(visit)) - visit.start;
    return [{ code: 'overlap', visit: visit.id, with: before.id, minutes }];
  }
  const takes = before.site === visit.site ? 0 : Math.ceil(way(before, visit));
  return takes > has + WAY_ROUNDING
    ? [{ code: 'too far', visit: visit.id, from: before.id, takes, has }]
    : [];
}

function alone(visit: BoardVisit, person: Hours, day: string): Misfit[] {
  const { windowFrom: from, windowTo: to, start, minutes } = visit;
  const missed = start < (from ?? start) || start > (to ?? start);
  const falls = shortfalls({ ...person, skills: [], credentials: [] }, NOTHING_DEMANDED, {
    ...{ day, start, minutes },
  });
  return [
    ...(missed ? [{ code: 'promise' as const, visit: visit.id, from, to }] : []),
    ...falls.flatMap((fall): Misfit[] => {
      if (fall.code === 'absent') return [{ code: 'absent', visit: visit.id, why: fall.why }];
      return fall.code === 'outside hours'
        ? [{ code: 'outside hours', visit: visit.id, hours: fall.hours }]
        : [];
    }),
  ];
}
