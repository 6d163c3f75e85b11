import type { Place } from '../../geo/index.ts';
import { heldOf, measuresOf, sumOf, type LoadOf } from '../loads.ts';
import { after } from './clock.ts';
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
  /** What their vehicle holds of each measure; all of it where nothing is known of one. */
  readonly holds?: readonly LoadOf[];
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
  /** What people are there for together, at the same hour; null for somebody alone. It stays theirs. */
  readonly together: string | null;
  /** How far it has come. `arrived` and `over` since a minute of the day. */
  readonly standing:
    | { readonly is: 'ahead' }
    | { readonly is: 'set off' }
    | { readonly is: 'arrived' | 'over'; readonly since: number };
  /** People who can’t do it, by what it demands. */
  readonly unsuited: readonly string[];
  /** Who was there last time; null where nobody was, or it does not matter. */
  readonly lastPerson: string | null;
  /** What it takes of a vehicle. */
  readonly takes?: readonly LoadOf[];
}

export interface DayOfWork {
  readonly people: readonly DayPerson[];
  readonly visits: readonly DayVisit[];
  /** The minute it is, where it is that day; null before. */
  readonly now: number | null;
  /** Whether the work is to be shared evenly. */
  readonly evenly: boolean;
}

/** How far it is from each place to each other, row by row. */
export type Ways = (places: readonly Place[]) => {
  readonly minutes: ArrayLike<number>;
  readonly metres: ArrayLike<number>;
};

export interface DayLaid {
  readonly problem: OrderProblem;
  /** The order there is now. */
  readonly present: Sequence;
  readonly metres: Float64Array;
  /** The visits by the indexes of their stops, and the people by those of their walkers. */
  readonly visits: readonly DayVisit[];
  readonly people: readonly DayPerson[];
  /** What is measured of vehicles, by its place in the problem. */
  readonly measures: readonly string[];
  /** Of each walker, whether they have begun their day: they go on at once. */
  readonly begun: readonly boolean[];
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
  const begins = people.map((person) => whereDayBegins(person, own, now));
  const ground = layGround(
    [
      ...visits.map(({ at }) => at),
      ...people.flatMap(({ startsAt }) => startsAt ?? []),
      ...begins.flatMap(({ at }) => at ?? []),
    ],
    ways,
  );
  const measured = measuresOf(own);
  const measures = [...measured.keys()];
  const present = people.map(({ id }) =>
    visits
      .map((visit, stop) => ({ visit, stop }))
      .filter(({ visit }) => visit.person === id)
      .sort((a, b) => rank(a.visit) - rank(b.visit) || a.visit.start - b.visit.start)
      .map(({ stop }) => stop),
  );
  const free = people.map((person, w): Walker => {
    const mine = own.filter((visit) => visit.person === person.id);
    const { from, to, breaks } = hoursOf(person, mine);
    const { at = null, since = null } = begins[w] ?? {};
    const first = (present[w] ?? []).filter((stop) => visits[stop]?.standing.is === 'set off');
    // What is planned may be carried; what was brought by now is in the vehicle no more, but took its room.
    const planned = measures.map((what) => sumOf(what, mine));
    return {
      holds: measures.map((what, m) => {
        const holds = heldOf(what, person.holds);
        const over = mine.filter((each) => !visits.includes(each));
        return Math.max(holds, planned[m] ?? 0) - sumOf(what, over);
      }),
      ...{ id: person.id, start: ground.placeOf(at) },
      end: person.startsAt ? ground.placeOf(person.startsAt) : null,
      ...{ from: Math.max(from, now ?? from, since ?? from), to, breaks, first },
    };
  });
  /** The soonest somebody could be at a visit with nothing else to do. */
  const soonest = ({ at }: DayVisit, { start, from }: Walker): number =>
    from + (ground.travel[start * ground.count + ground.placeOf(at)] ?? 0);
  const walkerOf = (id: string | null): Walker | undefined => free.find((one) => one.id === id);
  const hours = visits.map((visit): Span[] => {
    const { promised, standing, start, together, person } = visit;
    // Whoever is on the way comes when they come.
    if (standing.is === 'set off') return [];
    if (together !== null) {
      const all = visits.flatMap((each) => {
        const walker = each.together === together && walkerOf(each.person);
        return walker ? [soonest(each, walker)] : [];
      });
      const hour = Math.max(start, Math.ceil(Math.max(start, ...all)));
      return [{ from: hour, to: hour }];
    }
    // A promise that nobody it suits can keep any more is kept as soon as there is time, not dropped.
    const isLost =
      person !== null &&
      free.every((walker, w) => {
        const who = people[w];
        const suits = who !== undefined && against(visit, who, own) < Infinity;
        return !suits || soonest(visit, walker) > (promised?.to ?? Infinity);
      });
    return promised && !isLost ? [promised] : [];
  });
  const stops = visits.map((visit, i): OrderStop => ({
    ...{ id: visit.id, place: ground.placeOf(visit.at), minutes: visit.minutes },
    ...{ windows: hours[i] ?? [], promised: visit.promised !== null },
    priority: visit.together === null ? 1 : 100,
    against: people.map((person) => against(visit, person, own)),
    takes: measures.map((what) => sumOf(what, [visit])),
  }));
  const walkers = free.map((walker, w) => ({
    ...walker,
    to: Math.max(walker.to, endOf(walker, present[w] ?? [], stops, ground)),
  }));
  const evenness = evenly ? EVENLY : A_LITTLE;
  const problem = { stops, walkers, places: ground.count, travel: ground.travel, evenness };
  const begun = people.map(({ id }) =>
    own.some(({ person, standing }) => person === id && standing.is !== 'ahead'),
  );
  return {
    problem,
    present,
    metres: ground.metres,
    visits,
    people,
    measures: [...measured.values()],
    begun,
  };
}

interface Ground {
  readonly count: number;
  readonly travel: Float64Array;
  readonly metres: Float64Array;
  /** Where nobody knows where a day begins, it begins nowhere: no way from there is counted. */
  readonly placeOf: (at: Place | null) => number;
}

function layGround(all: readonly Place[], ways: Ways): Ground {
  const keyOf = ({ lat, lon }: Place): string => `${lat} ${lon}`;
  const places = [...new Map(all.map((at) => [keyOf(at), at])).values()];
  const index = new Map(places.map((at, i) => [keyOf(at), i]));
  const count = places.length + 1;
  const travel = new Float64Array(count ** 2);
  const metres = new Float64Array(count ** 2);
  const known = ways(places);
  for (let a = 0; a < places.length; a++)
    for (let b = 0; b < places.length; b++) {
      travel[a * count + b] = known.minutes[a * places.length + b] ?? 0;
      metres[a * count + b] = known.metres[a * places.length + b] ?? 0;
    }
  return { count, travel, metres, placeOf: (at) => (at ? (index.get(keyOf(at)) ?? 0) : count - 1) };
}

/** When somebody would be home if they walked what they have, in its order: what is planned may be walked. */
function endOf(
  { start, end, from, breaks = [] }: Walker,
  own: readonly number[],
  stops: readonly OrderStop[],
  { travel, count }: Ground,
): number {
  let at = start;
  let now = from;
  for (const stop of own) {
    const { place = at, minutes = 0, windows = [] } = stops[stop] ?? {};
    now = Math.max(after(breaks, now, travel[at * count + place] ?? 0), windows[0]?.from ?? 0);
    now = after(breaks, now, minutes);
    at = place;
  }
  return own.length === 0
    ? from
    : Math.ceil(after(breaks, now, end === null ? 0 : (travel[at * count + end] ?? 0)));
}

const rank = ({ standing }: DayVisit): number => (standing.is === 'set off' ? 0 : 1);

function against(visit: DayVisit, { id, startsAt }: DayPerson, all: readonly DayVisit[]): number {
  // Who has it now may keep it, whatever is demanded: the office has decided that.
  if (visit.person === id) return 0;
  if (visit.together !== null || visit.standing.is === 'set off' || visit.unsuited.includes(id))
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
