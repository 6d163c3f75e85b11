import { weekdayOf } from '../../calendar/index.ts';
import { turningBack } from '../visit.ts';
import { byHour, type BoardVisit, type WayMinutes } from './board-visit.ts';
import type { Hours } from './misfits.ts';

/** What a person has on a day, in minutes. */
export interface Load {
  readonly work: number;
  /** From each visit to the next. */
  readonly travel: number;
  /** Of their hours that day; null where nothing is known of hours. */
  readonly hours: number | null;
}

/** How long somebody is there on a day, in minutes; null where nothing is known of their hours. */
export function hoursOn({ hours, absences }: Hours, day: string): number | null {
  if (absences.some(({ from, to }) => from <= day && day <= to)) return 0;
  if (hours.length === 0) return null;
  const weekday = weekdayOf(day);
  return hours
    .filter((each) => each.weekday === weekday)
    .reduce((sum, { from, to }) => sum + to - from, 0);
}

/** What one person's visits of one day come to. Who turned back has nothing more to do there. */
export function loadOf(
  visits: readonly BoardVisit[],
  person: Hours,
  day: string,
  way: WayMinutes,
): Load {
  const walked = byHour(visits.filter(({ events }) => turningBack(events) === null));
  let travel = 0;
  walked.forEach((visit, index) => {
    const before = walked[index - 1];
    if (before && before.site !== visit.site) travel += way(before, visit);
  });
  return {
    work: walked.reduce((sum, { minutes }) => sum + minutes, 0),
    travel: Math.ceil(travel),
    hours: hoursOn(person, day),
  };
}
