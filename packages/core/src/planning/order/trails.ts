import { after, before, firstBegin, lastBegin } from './clock.ts';
import type { Ground } from './ground.ts';
import type { Order, OrderedTrail, PlacedStop, Sequence } from './problem.ts';

/** No stop, and the end of a trail. */
export const NONE = -1;

/**
 * Everybody's trail while an order is looked for: a chain of stops each, with when each is reached at
 * the earliest and may be reached at the latest, so that it is known at once whether one more fits.
 */
export class Trails {
  readonly #ground: Ground;
  readonly walkerOf: Int32Array;
  readonly next: Int32Array;
  readonly previous: Int32Array;
  readonly head: Int32Array;
  readonly tail: Int32Array;
  readonly length: Int32Array;
  readonly #begins: Float64Array;
  readonly #leaves: Float64Array;
  /** The last minute somebody may arrive at a stop with all after it still in time. */
  readonly #latest: Float64Array;
  readonly #load: Float64Array;
  readonly #work: Float64Array;
  readonly #cost: Float64Array;

  constructor(ground: Ground, sequence?: Sequence) {
    const { stops, walkers, measures } = ground;
    this.#ground = ground;
    this.walkerOf = new Int32Array(stops).fill(NONE);
    this.next = new Int32Array(stops).fill(NONE);
    this.previous = new Int32Array(stops).fill(NONE);
    this.head = new Int32Array(walkers).fill(NONE);
    this.tail = new Int32Array(walkers).fill(NONE);
    this.length = new Int32Array(walkers);
    this.#begins = new Float64Array(stops);
    this.#leaves = new Float64Array(stops);
    this.#latest = new Float64Array(stops);
    this.#load = new Float64Array(walkers * measures);
    this.#work = new Float64Array(walkers);
    this.#cost = new Float64Array(walkers);
    for (let walker = 0; walker < walkers; walker++) {
      const first = ground.first[walker] ?? [];
      const last = ground.last[walker] ?? [];
      const between = (sequence?.[walker] ?? []).filter((stop) => !ground.pinned[stop]);
      for (const stop of [...first, ...between, ...last]) this.#append(walker, stop);
      this.settle(walker);
    }
  }

  /** Becomes as another is. */
  copy(other: Trails): void {
    this.walkerOf.set(other.walkerOf);
    this.next.set(other.next);
    this.previous.set(other.previous);
    this.head.set(other.head);
    this.tail.set(other.tail);
    this.length.set(other.length);
    this.#begins.set(other.#begins);
    this.#leaves.set(other.#leaves);
    this.#latest.set(other.#latest);
    this.#load.set(other.#load);
    this.#work.set(other.#work);
    this.#cost.set(other.#cost);
  }

  /** Whether everybody is everywhere in time, and back. What is pinned may be late all the same. */
  isInTime(walker: number): boolean {
    for (let stop = this.head[walker] as number; stop !== NONE; stop = this.next[stop] as number)
      if (!((this.#begins[stop] as number) <= (this.#latest[stop] as number))) return false;
    return true;
  }

  /** What all trails cost together, and the stops that are in none. */
  cost(): number {
    let sum = 0;
    for (const each of this.#cost) sum += each;
    for (let stop = 0; stop < this.#ground.stops; stop++)
      if (this.walkerOf[stop] === NONE) sum += this.#ground.missed[stop] as number;
    return sum;
  }

  /** The sum of when promised stops are reached. */
  promisesReached(): number {
    let sum = 0;
    this.#ground.promised.forEach((promised, stop) => {
      if (promised && this.walkerOf[stop] !== NONE) sum += this.#begins[stop] as number;
    });
    return sum;
  }

  remove(stop: number): void {
    const walker = this.walkerOf[stop] as number;
    const previous = this.previous[stop] as number;
    const next = this.next[stop] as number;
    if (previous === NONE) this.head[walker] = next;
    else this.next[previous] = next;
    if (next === NONE) this.tail[walker] = previous;
    else this.previous[next] = previous;
    this.walkerOf[stop] = NONE;
    this.length[walker] = (this.length[walker] as number) - 1;
  }

  /** Puts a stop behind another; at the beginning where that is none. */
  insert(stop: number, walker: number, behind: number): void {
    const next = behind === NONE ? (this.head[walker] as number) : (this.next[behind] as number);
    this.previous[stop] = behind;
    this.next[stop] = next;
    if (behind === NONE) this.head[walker] = stop;
    else this.next[behind] = stop;
    if (next === NONE) this.tail[walker] = stop;
    else this.previous[next] = stop;
    this.walkerOf[stop] = walker;
    this.length[walker] = (this.length[walker] as number) + 1;
  }

  #append(walker: number, stop: number): void {
    this.insert(stop, walker, this.tail[walker] as number);
  }

  /** Reckons a trail anew after it was changed. */
  settle(walker: number): void {
    const ground = this.#ground;
    const { places, travel, place, minutes, walkers, measures } = ground;
    const breaks = ground.breaks[walker] ?? [];
    let at = ground.start[walker] as number;
    let now = ground.from[walker] as number;
    let onTheWay = 0;
    let work = 0;
    let against = 0;
    const load = this.#load;
    for (let m = 0; m < measures; m++) load[walker * measures + m] = 0;
    for (let stop = this.head[walker] as number; stop !== NONE; stop = this.next[stop] as number) {
      const here = place[stop] as number;
      const way = travel[at * places + here] as number;
      onTheWay += way;
      const arrives = after(breaks, now, way);
      const begins = firstBegin(ground.windows[stop] ?? [], breaks, arrives);
      this.#begins[stop] = begins;
      // Where a pinned stop comes too late, the day goes on from there all the same.
      now = after(breaks, begins < Infinity ? begins : arrives, minutes[stop] as number);
      this.#leaves[stop] = now;
      work += minutes[stop] as number;
      against += ground.against[stop * walkers + walker] as number;
      for (let m = 0; m < measures; m++)
        load[walker * measures + m] =
          (load[walker * measures + m] as number) + (ground.takes[stop * measures + m] as number);
      at = here;
    }
    const end = ground.end[walker] as number;
    let latest = ground.to[walker] as number;
    let ahead = end;
    if (this.length[walker] !== 0) {
      if (end !== NONE) onTheWay += travel[at * places + end] as number;
      for (
        let stop = this.tail[walker] as number;
        stop !== NONE;
        stop = this.previous[stop] as number
      ) {
        const here = place[stop] as number;
        const way = ahead === NONE ? 0 : (travel[here * places + ahead] as number);
        const begun = before(breaks, before(breaks, latest, way), minutes[stop] as number);
        latest = lastBegin(ground.windows[stop] ?? [], breaks, begun);
        this.#latest[stop] = latest;
        ahead = here;
      }
    }
    work += onTheWay;
    this.#work[walker] = work;
    this.#cost[walker] = onTheWay + against + (ground.evenness * work * work) / 2;
  }

  /**
   * What a stop more in somebody's trail costs at its best place; Infinity where there is none. The
   * place is told by `behind`. Places are passed over now and then, as chance says, so that looking
   * again finds other orders.
   */
  bestPlace(stop: number, walker: number, skips: () => boolean): number {
    const ground = this.#ground;
    const { places, travel, place, measures, walkers } = ground;
    this.behind = NONE;
    const against = ground.against[stop * walkers + walker] as number;
    if (against === Infinity) return Infinity;
    for (let m = 0; m < measures; m++)
      if (
        (this.#load[walker * measures + m] as number) +
          (ground.takes[stop * measures + m] as number) >
        (ground.holds[walker * measures + m] as number)
      )
        return Infinity;
    const here = place[stop] as number;
    const minutes = ground.minutes[stop] as number;
    const windows = ground.windows[stop] ?? [];
    const lastBeginOfIt = ground.lastBegin[stop] as number;
    const breaks = ground.breaks[walker] ?? [];
    const end = ground.end[walker] as number;
    const until = ground.to[walker] as number;
    let least = Infinity;
    let left = ground.from[walker] as number;
    let at = ground.start[walker] as number;
    let previous = NONE;
    const fixedFirst = ground.first[walker]?.length ?? 0;
    const fixedLast = ground.last[walker]?.length ?? 0;
    const count = this.length[walker] as number;
    let next = this.head[walker] as number;
    for (let index = 0; index <= count - fixedLast; index++) {
      if (left > lastBeginOfIt) break;
      if (index >= fixedFirst && !skips()) {
        const there = next === NONE ? end : (place[next] as number);
        const to = travel[at * places + here] as number;
        const on = there === NONE ? 0 : (travel[here * places + there] as number);
        const was = there === NONE || count === 0 ? 0 : (travel[at * places + there] as number);
        const more = to + on - was;
        if (more < least) {
          const begins = firstBegin(windows, breaks, after(breaks, left, to));
          if (begins < Infinity) {
            const reached = after(breaks, after(breaks, begins, minutes), on);
            if (reached <= (next === NONE ? until : (this.#latest[next] as number))) {
              least = more;
              this.behind = previous;
            }
          }
        }
      }
      if (next === NONE) break;
      previous = next;
      left = this.#leaves[next] as number;
      at = place[next] as number;
      next = this.next[next] as number;
    }
    if (least === Infinity || ground.evenness === 0) return least + against;
    const work = this.#work[walker] as number;
    const more = least + minutes;
    return least + against + ground.evenness * (work * more + (more * more) / 2);
  }

  /** Behind which stop the last place was found by `bestPlace`. */
  behind = NONE;

  sequence(): number[][] {
    return Array.from(this.head, (first) => {
      const stops: number[] = [];
      for (let stop = first; stop !== NONE; stop = this.next[stop] as number) stops.push(stop);
      return stops;
    });
  }

  /** The order as people are told it. */
  order(): Order {
    const { places, travel, place, end, from, breaks } = this.#ground;
    const trails = this.sequence().map((stops, walker): OrderedTrail => {
      let at = this.#ground.start[walker] as number;
      let now = from[walker] as number;
      let onTheWay = 0;
      const own = breaks[walker] ?? [];
      const placed = stops.map((stop): PlacedStop => {
        const way = travel[at * places + (place[stop] as number)] as number;
        onTheWay += way;
        const arrives = after(own, now, way);
        at = place[stop] as number;
        now = this.#leaves[stop] as number;
        const begins = this.#begins[stop] as number;
        return { stop, arrives, begins: begins < Infinity ? begins : arrives, leaves: now };
      });
      const last = end[walker] as number;
      const home = stops.length > 0 && last !== NONE ? (travel[at * places + last] as number) : 0;
      return {
        ...{ walker, stops: placed, travel: onTheWay + home },
        ends: after(own, now, home),
      };
    });
    const unplaced = [...this.walkerOf.keys()].filter((stop) => this.walkerOf[stop] === NONE);
    return {
      ...{ trails, unplaced, cost: this.cost() },
      travel: trails.reduce((sum, each) => sum + each.travel, 0),
    };
  }
}
