import type { OrderProblem, Span } from './problem.ts';

/** A problem laid out in flat tables, so that trying a stop at a place costs next to nothing. */
export interface Ground {
  readonly stops: number;
  readonly walkers: number;
  readonly places: number;
  readonly travel: Float64Array;
  /** By stop. */
  readonly place: Int32Array;
  readonly minutes: Float64Array;
  readonly windows: readonly (readonly Span[])[];
  /** The last minute a stop may begin at. */
  readonly lastBegin: Float64Array;
  readonly firstBegin: Float64Array;
  /** What leaving a stop out costs. */
  readonly missed: Float64Array;
  readonly promised: readonly boolean[];
  /** By stop, then by measure. */
  readonly takes: Float64Array;
  readonly measures: number;
  /** By stop, then by walker. */
  readonly against: Float64Array;
  /** By walker. */
  readonly start: Int32Array;
  /** -1 where the end does not matter. */
  readonly end: Int32Array;
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly breaks: readonly (readonly Span[])[];
  readonly holds: Float64Array;
  readonly first: readonly (readonly number[])[];
  readonly last: readonly (readonly number[])[];
  readonly pinned: Uint8Array;
  /** Cost of a minute of work more for somebody, by minute of work they have. */
  readonly evenness: number;
}

/** What is only needed where an order is looked for, and costs as much as laying out all the rest. */
export interface Neighbours {
  /** Walkers of one number are alike in everything: an empty one of them stands for all. */
  readonly alike: Int32Array;
  /** For each stop itself and the others, nearest first; as many as matter. */
  readonly near: readonly Int32Array[];
}

export const neighboursOf = (problem: OrderProblem, ground: Ground): Neighbours => ({
  alike: classes(problem, ground.against),
  near: nearest(ground.travel, ground.places, ground.place),
});

const NEAR = 120;
/** Ways are told apart by so small a part of a minute when neighbours are put in order. */
const FINE = 1_000;
const ANY_TIME: readonly Span[] = [{ from: -Infinity, to: Infinity }];

/**
 * Lays a problem out. Throws a RangeError where it names places, stops or measures that are not there:
 * a mistake of whoever made it, not of a person.
 */
export function layOut(problem: OrderProblem): Ground {
  const known = LAID.get(problem) ?? layOutAnew(problem);
  LAID.set(problem, known);
  return known;
}

/** One problem is asked about several times, and never changes. */
const LAID = new WeakMap<OrderProblem, Ground>();

function layOutAnew(problem: OrderProblem): Ground {
  const { stops, walkers, places } = problem;
  mustHold(problem);
  const measures = Math.max(
    0,
    ...stops.map(({ takes }) => takes?.length ?? 0),
    ...walkers.map(({ holds }) => holds?.length ?? 0),
  );
  const travel = Float64Array.from(problem.travel);
  const windows = stops.map((each) => (each.windows?.length ? each.windows : ANY_TIME));
  const mostTravel = travel.reduce((most, each) => Math.max(most, each), 0);
  const against = new Float64Array(stops.length * walkers.length);
  stops.forEach((stop, s) =>
    walkers.forEach((_, w) => (against[s * walkers.length + w] = stop.against?.[w] ?? 0)),
  );
  const mostAgainst = against.reduce(
    (most, each) => (each < Infinity ? Math.max(most, each) : most),
    0,
  );
  const work = stops.reduce((sum, { minutes }) => sum + minutes, 0);
  const each = work / Math.max(1, walkers.length);
  const dear = 1_000 + 10 * mostTravel + mostAgainst + 10 * (problem.evenness ?? 0) * work;
  const takes = new Float64Array(stops.length * measures);
  stops.forEach((stop, s) => stop.takes?.forEach((much, m) => (takes[s * measures + m] = much)));
  const holds = new Float64Array(walkers.length * measures).fill(Infinity);
  walkers.forEach((one, w) => one.holds?.forEach((much, m) => (holds[w * measures + m] = much)));
  const pinned = new Uint8Array(stops.length);
  for (const { first = [], last = [] } of walkers)
    for (const stop of [...first, ...last]) pinned[stop] = 1;
  const place = Int32Array.from(stops, (stop) => stop.place);
  return {
    ...{ stops: stops.length, walkers: walkers.length, places, travel, place, windows, measures },
    minutes: Float64Array.from(stops, ({ minutes }) => minutes),
    lastBegin: Float64Array.from(windows, (own) => own.at(-1)?.to ?? Infinity),
    firstBegin: Float64Array.from(windows, (own) => own[0]?.from ?? -Infinity),
    missed: Float64Array.from(stops, ({ priority = 1 }) => dear * Math.max(0.01, priority)),
    promised: stops.map(({ promised = false }) => promised),
    ...{ takes, against, holds, pinned },
    start: Int32Array.from(walkers, ({ start }) => start),
    end: Int32Array.from(walkers, ({ end }) => end ?? -1),
    from: Float64Array.from(walkers, ({ from }) => from),
    to: Float64Array.from(walkers, ({ to }) => to),
    breaks: walkers.map(({ breaks = [] }) => breaks),
    first: walkers.map(({ first = [] }) => first),
    last: walkers.map(({ last = [] }) => last),
    evenness: each > 0 ? (problem.evenness ?? 0) / each : 0,
  };
}

function mustHold({ stops, walkers, places, travel }: OrderProblem): void {
  const isPlace = (at: number): boolean => Number.isInteger(at) && at >= 0 && at < places;
  const isStop = (at: number): boolean => Number.isInteger(at) && at >= 0 && at < stops.length;
  if (travel.length !== places * places) throw new RangeError('The travel table is not square.');
  if (!Array.from(travel).every(Number.isFinite))
    throw new RangeError('The travel table has ways without an end.');
  for (const stop of stops)
    if (!isPlace(stop.place)) throw new RangeError(`The stop ${stop.id} is at no place.`);
  const held = new Set<number>();
  for (const { id, start, end, first = [], last = [] } of walkers) {
    if (!isPlace(start) || (end !== null && !isPlace(end)))
      throw new RangeError(`The day of ${id} begins or ends at no place.`);
    for (const stop of [...first, ...last]) {
      if (!isStop(stop) || held.has(stop)) throw new RangeError(`${id} holds a stop twice.`);
      held.add(stop);
    }
  }
}

/** Numbers walkers so that two of one number can't be told apart by any trail. */
function classes({ stops, walkers }: OrderProblem, against: Float64Array): Int32Array {
  const seen = new Map<string, number>();
  return Int32Array.from(walkers, (walker, w) => {
    const own = { ...walker, id: '' };
    const key = JSON.stringify([own, stops.map((_s, s) => against[s * walkers.length + w])]);
    const known = seen.get(key) ?? seen.size;
    seen.set(key, known);
    return known;
  });
}

function nearest(travel: Float64Array, places: number, place: Int32Array): Int32Array[] {
  const count = place.length;
  const keys = new Float64Array(count);
  return Array.from(place, (from, stop) => {
    // Way and stop in one number: those are sorted without asking back, a hundred times as fast.
    for (let other = 0; other < count; other++) {
      const away = travel[from * places + (place[other] as number)] as number;
      keys[other] = other === stop ? -1 : Math.round(away * FINE) * count + other;
    }
    const inOrder = Float64Array.from(keys)
      .sort()
      .subarray(0, NEAR + 1);
    return Int32Array.from(inOrder, (key) => (key < 0 ? stop : key % count));
  });
}
