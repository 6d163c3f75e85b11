import type { Place } from '../../geo/index.ts';
import type { OrderProblem, OrderStop, Sequence, Span, Walker } from './problem.ts';

/** Somebody whose day is put in order. */
export interface DayPerson {
  readonly id: string;
  /** Where their day begins and ends; null where nobody knows. */
  readonly startsAt: Place | null;
  /** When they work that day, in order; empty where nobody has said. */
  readonly hours: readonly Span[];
  /** They are away: what they have is for others. */
  readonly away: boolean;
}

/** A visit of the day. Times are minutes of the local day. */
export interface DayVisit {
  readonly id: string;
  readonly person: string | null;
  readonly at: Place;
  readonly start: number;
  readonly minutes: number;
  /** When somebody has promised to be there. */
  readonly promised: Span | null;
  /** It stays with its person and at its hour: others are there at the same time. */
  readonly fixed: boolean;
  /** How far it has come. `arrived` and `over` since a minute of the day. */
  readonly standing:
    | { readonly is: 'ahead' }
    | { readonly is: 'set off' }
    | { readonly is: 'arrived' | 'over'; readonly since: number };
  /** People who can’t do it, by what it demands. */
  readonly unsuited: readonly string[];
  /** Who was there last time; null where nobody was, or it does not matter. */
  readonly lastPerson: string | null;
}

export interface DayOfWork {
  readonly people: readonly DayPerson[];
  readonly visits: readonly DayVisit[];
  /** The minute it is, where it is that day; null before. */
  readonly now: number | null;
  /** Whether the work is to be shared evenly. */
  readonly evenly: boolean;
}

/** How far it is from one place to another. */
export type Ways = (
  from: Place,
  to: Place,
) => { readonly minutes: number; readonly metres: number };

export interface DayLaid {
  readonly problem: OrderProblem;
  /** The order there is now. */
  readonly present: Sequence;
  readonly metres: Float64Array;
  /** The visits by the indexes of their stops, and the people by those of their walkers. */
  readonly visits: readonly DayVisit[];
  readonly people: readonly DayPerson[];
}

/** What it is worth that somebody keeps what they have, and goes where they were last time, in minutes. */
const KEEPS = 4;
const KNOWS = 6;
/** How much an even share is worth where it is wanted, and anyway: nobody walks alone for all. */
const EVENLY = 1.5;
const A_LITTLE = 0.25;
/** What it costs to send somebody of whom nobody knows where they would come from, in minutes. */
const UNKNOWN = 120;
/** The day of somebody whose hours nobody has said (common practice, no source). */
const USUAL: Span = { from: 8 * 60, to: 17 * 60 };
/** What somebody has begun lasts at least so much longer, in minutes. */
const AT_LEAST = 5;

/** Lays a day out as a problem: what is over or begun stays, all else can change hands and places. */
export function layDay({ people: all, visits: own, now, evenly }: DayOfWork, ways: Ways): DayLaid {
  const people = all.filter(({ away }) => !away);
  const visits = own.filter(({ standing }) => standing.is === 'ahead' || standing.is === 'set off');
  const places: Place[] = [];
  const known = new Map<string, number>();
  const placeOf = (at: Place): number => {
    const key = `${at.lat} ${at.lon}`;
    const index = known.get(key) ?? places.push(at) - 1;
    known.set(key, index);
    return index;
  };
  const stops = visits.map((visit): OrderStop => ({
    ...{ id: visit.id, place: placeOf(visit.at), minutes: visit.minutes },
    ...(windowsOf(visit) ? { windows: windowsOf(visit) ?? [], promised: true } : {}),
    against: people.map((person) => against(visit, person, own)),
  }));
  const present = people.map(({ id }) =>
    visits
      .map((visit, stop) => ({ visit, stop }))
      .filter(({ visit }) => visit.person === id)
      .sort((a, b) => rank(a.visit) - rank(b.visit) || a.visit.start - b.visit.start)
      .map(({ stop }) => stop),
  );
  const ends = people.map((person) => whereDayBegins(person, own, now));
  const starts = ends.map(({ at }) => (at ? placeOf(at) : null));
  const homes = people.map(({ startsAt }) => (startsAt ? placeOf(startsAt) : null));
  // Where nobody knows where a day begins, it begins nowhere: no way from there is counted.
  const nowhere = places.length;
  const count = places.length + 1;
  const travel = new Float64Array(count ** 2);
  const metres = new Float64Array(count ** 2);
  places.forEach((from, a) =>
    places.forEach((to, b) => {
      if (a === b) return;
      const way = ways(from, to);
      travel[a * count + b] = way.minutes;
      metres[a * count + b] = way.metres;
    }),
  );
  const walkers = people.map((person, w): Walker => {
    const mine = own.filter((visit) => visit.person === person.id);
    const { from, to, breaks } = hoursOf(person, mine);
    const { since } = ends[w] ?? { since: null };
    const first = (present[w] ?? []).filter((stop) => visits[stop]?.standing.is === 'set off');
    return {
      ...{ id: person.id, start: starts[w] ?? nowhere, end: homes[w] ?? null },
      ...{ from: Math.max(from, now ?? from, since ?? from), to, breaks, first },
    };
  });
  const evenness = evenly ? EVENLY : A_LITTLE;
  const problem = { stops, walkers, places: count, travel, evenness };
  return { problem, present, metres, visits, people };
}

const rank = ({ standing }: DayVisit): number => (standing.is === 'set off' ? 0 : 1);

function windowsOf({ promised, fixed, start, standing }: DayVisit): Span[] | null {
  // Whoever is on the way comes when they come.
  if (standing.is === 'set off') return null;
  if (fixed) return [{ from: start, to: start }];
  return promised ? [promised] : null;
}

function against(visit: DayVisit, { id, startsAt }: DayPerson, all: readonly DayVisit[]): number {
  // Who has it now may keep it, whatever is demanded: the office has decided that.
  if (visit.person === id) return 0;
  if (visit.fixed || visit.standing.is === 'set off' || visit.unsuited.includes(id))
    return Infinity;
  const isUnknown = startsAt === null && !all.some(({ person }) => person === id);
  return (
    (visit.person === null ? 0 : KEEPS) +
    (visit.lastPerson === null || visit.lastPerson === id ? 0 : KNOWS) +
    (isUnknown ? UNKNOWN : 0)
  );
}

/** Where somebody is once what they have begun is done, and since when they are free. */
function whereDayBegins(
  { id, startsAt }: DayPerson,
  visits: readonly DayVisit[],
  now: number | null,
): { readonly at: Place | null; readonly since: number | null } {
  const been = visits
    .filter(({ person }) => person === id)
    .flatMap(({ at, minutes, standing }) => {
      if (standing.is === 'over') return [{ at, since: standing.since }];
      if (standing.is !== 'arrived') return [];
      return [{ at, since: Math.max(standing.since + minutes, (now ?? 0) + AT_LEAST) }];
    })
    .sort((a, b) => b.since - a.since);
  return been[0] ?? { at: startsAt, since: null };
}

/** When somebody works, for as long as what they have now lasts at least. */
function hoursOf(
  { hours }: DayPerson,
  mine: readonly DayVisit[],
): { readonly from: number; readonly to: number; readonly breaks: Span[] } {
  const sorted = [...hours].sort((a, b) => a.from - b.from);
  const known = sorted.length > 0;
  const own = known ? sorted : [USUAL];
  const last = Math.max(0, ...mine.map(({ start, minutes }) => start + minutes));
  const soonest = Math.min(...mine.map(({ start }) => start));
  const from = own[0]?.from ?? USUAL.from;
  return {
    from: known ? from : Math.min(from, soonest),
    to: Math.max(own.at(-1)?.to ?? USUAL.to, last),
    breaks: own.slice(1).flatMap(({ from: begins }, i) => {
      const ended = own[i]?.to ?? begins;
      return ended < begins ? [{ from: ended, to: begins }] : [];
    }),
  };
}
