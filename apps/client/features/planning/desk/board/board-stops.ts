import type { BoardPeople, BoardStop, BoardWays } from '@ant-trail/contract/planning/desk';
import { estimateWay, JOB_STATE_RULES, turningBack } from '@ant-trail/core/planning';
import {
  isAhead,
  loadOf,
  misfits,
  type BoardVisit,
  type Hours,
  type Load,
  type Misfit,
  type Placing,
  type WayMinutes,
} from '@ant-trail/core/planning/board';
import type { z } from 'zod';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';

export type PersonHours = z.infer<typeof BoardPeople>['people'][number];

/** One person's day on the board. */
export interface Lane {
  readonly person: NamedPerson;
  readonly stops: readonly BoardStop[];
  readonly load: Load;
  readonly misfits: readonly Misfit[];
  /** Why they are away that day; null where they are there. */
  readonly away: string | null;
}

/** Somebody who turned back is planned for anew by another visit. */
const hasTurnedBack = ({ visit }: BoardStop): boolean => turningBack(visit.events) !== null;

export const boardVisit = ({ job, visit, site }: BoardStop): BoardVisit => ({
  ...{ id: visit.id, site, start: visit.start, minutes: visit.minutes, events: visit.events },
  ...{ windowFrom: job.windowFrom, windowTo: job.windowTo },
  settled: JOB_STATE_RULES[job.state].settled,
  // Whoever leads brings what the job takes.
  takes: visit.part === 'leads' ? job.takes : [],
});

/** Whether a stop can be taken up and put elsewhere: nobody has set off to it. */
export const canMove = (stop: BoardStop): boolean =>
  isAhead(boardVisit(stop)) && !hasTurnedBack(stop);

export const placingOf = ({ visit }: BoardStop): Placing => ({
  ...{ person: visit.person, day: visit.day, start: visit.start },
});

/** The stops as they are with some of them put elsewhere. */
export function withPlacings(
  stops: readonly BoardStop[],
  placings: ReadonlyMap<string, Placing>,
): readonly BoardStop[] {
  if (placings.size === 0) return stops;
  return stops.map((stop) => {
    const to = placings.get(stop.visit.id);
    return to ? { ...stop, visit: { ...stop.visit, ...to } } : stop;
  });
}

export interface BoardWaysKnown {
  /** As the office found it along the map, estimated where it has not looked. */
  readonly about: WayMinutes;
  /** Only what the office found: nobody is warned of a guess. */
  readonly sure: WayMinutes;
}

/** How long people take from one stop to another. */
export function waysBetween(
  stops: readonly BoardStop[],
  known: BoardWays | undefined,
): BoardWaysKnown {
  const numbers = new Map(known?.sites.map((site, at) => [site, at]));
  const places = new Map(stops.flatMap(({ site, at }) => (at ? [[site, at] as const] : [])));
  const found = (from: string, to: string): number | null => {
    const [a, b] = [numbers.get(from), numbers.get(to)];
    return a === undefined || b === undefined
      ? null
      : (known?.minutes[a * numbers.size + b] ?? null);
  };
  return {
    sure: ({ site: from }, { site: to }) => found(from, to) ?? 0,
    about: ({ site: from }, { site: to }) => {
      const [a, b] = [places.get(from), places.get(to)];
      return found(from, to) ?? (a && b ? estimateWay(a, b).minutes : 0);
    },
  };
}

/** Things by what they have in common, in the order they come. */
export function grouped<Each, Key>(
  all: readonly Each[],
  of: (each: Each) => Key,
): ReadonlyMap<Key, readonly Each[]> {
  const groups = new Map<Key, Each[]>();
  for (const each of all) {
    const group = groups.get(of(each));
    if (group) group.push(each);
    else groups.set(of(each), [each]);
  }
  return groups;
}

const ANY_HOUR: Hours = { hours: [], absences: [] };

export interface LanesAsked {
  readonly day: string;
  readonly people: readonly NamedPerson[];
  readonly hours: readonly PersonHours[];
  readonly stops: readonly BoardStop[];
  readonly way: BoardWaysKnown;
}

/** Everybody's day, with what it comes to and what of it can't be walked. */
export function lanesOf({ day, people, hours, stops, way }: LanesAsked): Lane[] {
  const known = new Map(hours.map((each) => [each.id, each]));
  const own = grouped(
    stops.filter(({ visit }) => visit.day === day),
    ({ visit }) => visit.person,
  );
  return people.map((person) => {
    const their = known.get(person.id) ?? ANY_HOUR;
    const mine = own.get(person.id) ?? [];
    const visits = mine.map(boardVisit);
    const absence = their.absences.find(({ from, to }) => from <= day && day <= to);
    return {
      ...{ person, stops: mine, away: absence ? absence.why || 'away' : null },
      load: loadOf(visits, their, day, way.about),
      misfits: misfits(visits, their, day, way.sure),
    };
  });
}

/** Whether a stop, or the person who has it, is what somebody looks for. */
export function isSought({ siteName, job }: BoardStop, words: string): boolean {
  return hasWords(`${siteName} ${job.title} ${job.round ?? ''} ${job.state}`, words);
}

export const isSoughtPerson = ({ name, trade }: NamedPerson, words: string): boolean =>
  hasWords(`${name} ${trade}`, words);

function hasWords(text: string, words: string): boolean {
  const lower = text.toLowerCase();
  return words
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .every((word) => lower.includes(word));
}
