import { layDay, type DayLaid, type DayOfWork, type Ways } from './day.ts';
import { changesBetween, farness, walkedIn, type TrailChange } from './gain.ts';
import { whyLeftOut } from './left-out.ts';
import type { Order, Sequence } from './problem.ts';
import { seekOrder, type SeekOptions } from './seek.ts';
import { settingOff } from './setting-off.ts';

/** Minutes on the way and metres of all together. */
export interface OnTheWay {
  readonly minutes: number;
  readonly metres: number;
}

/** What becomes other for one person; minutes on the way more, less below 0. */
export interface DayChange {
  readonly person: string;
  readonly reordered: readonly string[];
  readonly takes: readonly { readonly visit: string; readonly from: string | null }[];
  readonly gives: readonly { readonly visit: string; readonly to: string | null }[];
  readonly minutes: number;
}

/** Why a visit could be given to nobody. Words are made where it is shown. */
export type NotPlaced =
  | { readonly code: 'suits nobody' }
  | { readonly code: 'too much'; readonly measure: string }
  | {
      readonly code: 'out of reach';
      readonly soonest: number | null;
      readonly until: number | null;
    }
  | { readonly code: 'days are full'; readonly could: readonly string[] };

/** A day in another order, by the ids of people and visits. Times are minutes of the local day. */
export interface DayOrder {
  readonly before: OnTheWay;
  readonly after: OnTheWay;
  readonly trails: readonly {
    readonly person: string;
    readonly stops: readonly { readonly visit: string; readonly start: number }[];
  }[];
  /** Parts that can each be taken alone, those that save most first. */
  readonly changes: readonly { readonly people: readonly DayChange[]; readonly minutes: number }[];
  readonly leftOut: readonly { readonly visit: string; readonly why: NotPlaced }[];
}

export interface BetterDayOptions extends Pick<SeekOptions, 'millis' | 'now' | 'seed' | 'stopped'> {
  /** An order that was found before, to look on from: visits by person. */
  readonly from?: readonly { readonly person: string; readonly visits: readonly string[] }[];
}

/** Looks for a better order of a day for as long as it may. */
export function betterDay(day: DayOfWork, ways: Ways, options: BetterDayOptions): DayOrder {
  const laid = layDay(day, ways);
  const { from, ...rest } = options;
  const order = seekOrder(laid.problem, {
    ...rest,
    from: from ? sequenceOf(laid, from) : laid.present,
  });
  return sayDay(laid, order);
}

function sequenceOf(
  { people, visits }: DayLaid,
  from: NonNullable<BetterDayOptions['from']>,
): Sequence {
  const stopOf = new Map(visits.map(({ id }, stop) => [id, stop]));
  return people.map(({ id }) =>
    (from.find(({ person }) => person === id)?.visits ?? []).flatMap((visit) => {
      const stop = stopOf.get(visit);
      return stop === undefined ? [] : [stop];
    }),
  );
}

function sayDay(laid: DayLaid, order: Order): DayOrder {
  const { problem, present, metres, visits, people } = laid;
  const now = order.trails.map(({ stops }) => stops.map(({ stop }) => stop));
  const visitOf = (stop: number): string => visits[stop]?.id ?? '';
  const personOf = (walker: number): string => people[walker]?.id ?? '';
  const sayPerson = (walker: number | null): string | null =>
    walker === null ? null : personOf(walker);
  const changes = changesBetween(problem, present, order);
  const sayChange = ({ walker, reordered, takes, gives, travel }: TrailChange): DayChange => ({
    person: personOf(walker),
    reordered: reordered.map(visitOf),
    takes: takes.map(({ stop, from }) => ({
      visit: visitOf(stop),
      // Whoever is away has it in the plan, though not in the problem.
      from: sayPerson(from) ?? visits[stop]?.person ?? null,
    })),
    gives: gives.map(({ stop, to }) => ({ visit: visitOf(stop), to: sayPerson(to) })),
    minutes: Math.round(travel),
  });
  const changed = new Set(changes.flatMap((each) => each.people.map(({ walker }) => walker)));
  /** Nobody's day begins before the one that is planned for them does; whoever has none, as the first of all. */
  const planned = present.map((stops) =>
    Math.min(...stops.map((stop) => visits[stop]?.start ?? Infinity)),
  );
  const first = Math.min(...planned);
  const trails = settingOff(problem, order.trails, (walker) => {
    const own = planned[walker] ?? Infinity;
    const wish = own < Infinity ? own : first;
    return wish < Infinity && !laid.begun[walker] ? wish : 0;
  });
  return {
    before: {
      minutes: Math.round(walkedIn(problem, present).travel),
      metres: Math.round(farness(problem, present, metres)),
    },
    after: { minutes: Math.round(order.travel), metres: Math.round(farness(problem, now, metres)) },
    trails: trails.map(({ walker, stops }) => ({
      person: personOf(walker),
      stops: stops.map(({ stop, begins }) => ({
        visit: visitOf(stop),
        // Where nothing is other, the hours stay as they are.
        start: changed.has(walker) ? Math.ceil(begins - 1e-6) : (visits[stop]?.start ?? 0),
      })),
    })),
    changes: changes.map(({ people: own, travel }) => ({
      people: own.map(sayChange),
      minutes: Math.round(travel),
    })),
    leftOut: order.unplaced.map((stop) => ({ visit: visitOf(stop), why: sayWhy(laid, stop) })),
  };
}

function sayWhy({ problem, people, measures }: DayLaid, stop: number): NotPlaced {
  const why = whyLeftOut(problem, stop);
  if (why.code === 'suits nobody') return why;
  if (why.code === 'too much') return { code: why.code, measure: measures[why.measure] ?? '' };
  if (why.code === 'days are full')
    return { code: why.code, could: why.could.map((walker) => people[walker]?.id ?? '') };
  const known = (minute: number): number | null =>
    Number.isFinite(minute) ? Math.ceil(minute) : null;
  return { code: why.code, soonest: known(why.soonest), until: known(why.until) };
}
