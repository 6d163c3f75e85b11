import { chanceOf } from './chance.ts';
import { layOut, neighboursOf, type Ground, type Neighbours } from './ground.ts';
import type { Order, OrderProblem, Sequence } from './problem.ts';
import { NONE, Trails } from './trails.ts';

// The method is that of strings taken out side by side and put back greedily with blinks: J. Christiaens,
// G. Vanden Berghe, “Slack Induction by String Removals for Vehicle Routing Problems”, Transportation
// Science 54 (2020), 417-433, with its figures but for the heat, which goes by the ways of the problem.

/** How many stops are taken out at once, on average. */
const TAKEN_OUT = 10;
const LONGEST_STRING = 10;
/** How often a string keeps some stops in its middle, and how soon those are enough. */
const SPLIT = 0.5;
const SPLIT_MORE = 0.01;
/** How often a place is passed over. */
const BLINK = 0.01;
/** The heat at the beginning and at the end, as parts of a usual way between two stops. */
const HOT = 1;
const COLD = 0.01;
/** Differences below this are none. */
const EQUAL = 1e-7;

export interface SearchOptions {
  /** Who goes where now: the search begins with it. */
  readonly from?: Sequence;
  /** The same seed looks in the same way. */
  readonly seed?: number;
}

/**
 * Looks for a better order, a little further with each call of `go`. What it has found so far can be
 * taken at any time; it never gets worse.
 */
export class OrderSearch {
  readonly #ground: Ground;
  readonly #neighbours: Neighbours;
  readonly #chance: () => number;
  readonly #skips: () => boolean;
  readonly #now: Trails;
  readonly #kept: Trails;
  readonly #best: Trails;
  #cost: number;
  #bestCost: number;
  readonly #way: number;
  #loose: number[];
  readonly #touched: Uint8Array;

  constructor(problem: OrderProblem, { from, seed = 1 }: SearchOptions = {}) {
    const ground = layOut(problem);
    this.#ground = ground;
    this.#neighbours = neighboursOf(problem, ground);
    this.#chance = chanceOf(seed);
    this.#skips = () => this.#chance() < BLINK;
    this.#touched = new Uint8Array(ground.walkers);
    this.#now = new Trails(ground);
    this.#loose = this.#begin(from);
    this.#insertAll(() => false);
    this.#cost = this.#now.cost();
    this.#way = usualWay(ground, this.#neighbours);
    this.#kept = new Trails(ground);
    this.#best = new Trails(ground);
    this.#kept.copy(this.#now);
    this.#best.copy(this.#now);
    this.#bestCost = this.#cost;
  }

  /** The best order found so far. */
  get best(): Order {
    return this.#best.order();
  }

  get bestCost(): number {
    return this.#bestCost;
  }

  /** Goes on for so many tries. The heat is 1 at the beginning of a search and 0 at its end. */
  go(tries: number, heat: number): void {
    if (this.#ground.stops === 0 || this.#ground.walkers === 0) return;
    const warmth = this.#way * COLD * (HOT / COLD) ** Math.min(1, Math.max(0, heat));
    for (let i = 0; i < tries; i++) this.#try(warmth);
  }

  /** Goes on from the best order again. */
  backToBest(): void {
    this.#now.copy(this.#best);
    this.#kept.copy(this.#best);
    this.#cost = this.#bestCost;
  }

  #try(warmth: number): void {
    this.#takeOut();
    this.#insertAll(this.#skips);
    const cost = this.#now.cost();
    if (cost < this.#cost - warmth * Math.log(this.#chance() || 1e-12)) {
      this.#kept.copy(this.#now);
      this.#cost = cost;
      if (cost < this.#bestCost - EQUAL || (cost < this.#bestCost + EQUAL && this.#isSooner())) {
        this.#best.copy(this.#now);
        this.#bestCost = Math.min(cost, this.#bestCost);
      }
    } else this.#now.copy(this.#kept);
  }

  #isSooner(): boolean {
    return this.#now.promisesReached() < this.#best.promisesReached() - EQUAL;
  }

  /** Takes over the trails there are, as far as they can be walked; gives the stops that are left. */
  #begin(from: Sequence | undefined): number[] {
    const { walkerOf } = this.#now;
    from?.forEach((stops, walker) => {
      for (const stop of stops) {
        if (walkerOf[stop] !== NONE || walker >= this.#ground.walkers) continue;
        this.#appendIfItFits(stop, walker);
      }
    });
    return [...walkerOf.keys()].filter((stop) => walkerOf[stop] === NONE);
  }

  #appendIfItFits(stop: number, walker: number): void {
    const last = this.#ground.last[walker]?.length ?? 0;
    let behind = this.#now.tail[walker] as number;
    for (let i = 0; i < last; i++) behind = this.#now.previous[behind] as number;
    // What speaks against it altogether, and what the vehicle does not hold, is seen by looking for a place.
    if (this.#now.bestPlace(stop, walker, () => false) === Infinity) return;
    this.#now.insert(stop, walker, behind);
    this.#now.settle(walker);
    if (this.#now.isInTime(walker)) return;
    this.#now.remove(stop);
    this.#now.settle(walker);
  }

  #takeOut(): void {
    const ground = this.#ground;
    const trails = this.#now;
    this.#loose = [];
    const touched = this.#touched.fill(0);
    let placed = 0;
    let walked = 0;
    for (let w = 0; w < ground.walkers; w++) {
      const length = trails.length[w] as number;
      placed += length;
      if (length > 0) walked++;
    }
    for (let stop = 0; stop < ground.stops; stop++)
      if (trails.walkerOf[stop] === NONE) this.#loose.push(stop);
    if (placed === 0) return;
    const longest = Math.min(LONGEST_STRING, placed / walked);
    const strings = (4 * TAKEN_OUT) / (1 + longest) - 1;
    const count = Math.floor(this.#chance() * strings + 1);
    const seed = Math.floor(this.#chance() * ground.stops);
    let done = 0;
    for (const stop of this.#neighbours.near[seed] as Int32Array) {
      if (done >= count) break;
      const walker = trails.walkerOf[stop] as number;
      if (walker === NONE || touched[walker] === 1 || ground.pinned[stop] === 1) continue;
      touched[walker] = 1;
      done++;
      const free = trails.length[walker] as number;
      const longestHere = Math.min(free, longest);
      this.#takeString(stop, Math.floor(this.#chance() * longestHere + 1));
    }
    for (let w = 0; w < ground.walkers; w++) if (touched[w] === 1) trails.settle(w);
  }

  /** Takes out so many stops in a row, one of them given; now and then with some left in their middle. */
  #takeString(stop: number, length: number): void {
    const trails = this.#now;
    const walker = trails.walkerOf[stop] as number;
    let kept = 0;
    const most = (trails.length[walker] as number) - length;
    if (length > 1 && most > 0 && this.#chance() < SPLIT) {
      kept = 1;
      while (kept < most && this.#chance() > SPLIT_MORE) kept++;
    }
    const span = length + kept;
    let first = stop;
    for (let back = Math.floor(this.#chance() * span); back > 0; back--) {
      const before = trails.previous[first] as number;
      if (before === NONE) break;
      first = before;
    }
    const gap = kept > 0 ? 1 + Math.floor(this.#chance() * (length - 1)) : length;
    let at = first;
    for (let i = 0; i < span && at !== NONE; i++) {
      const next = trails.next[at] as number;
      const stays = i >= gap && i < gap + kept;
      if (!stays && this.#ground.pinned[at] === 0) {
        trails.remove(at);
        this.#loose.push(at);
      }
      at = next;
    }
  }

  #insertAll(skips: () => boolean): void {
    const ground = this.#ground;
    const { alike } = this.#neighbours;
    const trails = this.#now;
    this.#sortLoose();
    for (const stop of this.#loose) {
      let least = ground.missed[stop] as number;
      let walker = NONE;
      let behind = NONE;
      let emptySeen = -1;
      for (let w = 0; w < ground.walkers; w++) {
        if (trails.length[w] === 0) {
          // Of those alike one empty day stands for all.
          if (alike[w] === emptySeen) continue;
          emptySeen = alike[w] as number;
        }
        const cost = trails.bestPlace(stop, w, skips);
        if (cost < least) {
          least = cost;
          walker = w;
          behind = trails.behind;
        }
      }
      if (walker === NONE) continue;
      trails.insert(stop, walker, behind);
      trails.settle(walker);
    }
  }

  /** Which of the loose stops is put back first: by chance one of several orders. */
  #sortLoose(): void {
    const { takes, measures, lastBegin, firstBegin, place, travel, places, start } = this.#ground;
    const loose = this.#loose;
    const away = (stop: number): number =>
      travel[(start[0] as number) * places + (place[stop] as number)] as number;
    const taken = (stop: number): number => (measures > 0 ? (takes[stop * measures] as number) : 0);
    const of = (table: Float64Array, stop: number): number => table[stop] as number;
    const width = (stop: number): number => of(lastBegin, stop) - of(firstBegin, stop);
    const dice = this.#chance() * 18;
    const { missed } = this.#ground;
    if (dice < 4) shuffle(loose, this.#chance);
    else if (dice < 8) loose.sort((a, b) => taken(b) - taken(a) || away(b) - away(a));
    else if (dice < 10) loose.sort((a, b) => away(b) - away(a));
    else if (dice < 11) loose.sort((a, b) => away(a) - away(b));
    else if (dice < 13) loose.sort((a, b) => compare(width(a), width(b)));
    else if (dice < 15) loose.sort((a, b) => compare(of(firstBegin, a), of(firstBegin, b)));
    else if (dice < 17) loose.sort((a, b) => compare(of(lastBegin, a), of(lastBegin, b)));
    else loose.sort((a, b) => of(missed, b) - of(missed, a));
  }
}

/** Infinite ones are equal. */
const compare = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1);

function shuffle(list: number[], chance: () => number): void {
  for (let i = list.length - 1; i > 0; i--) {
    const other = Math.floor(chance() * (i + 1));
    const held = list[i] as number;
    list[i] = list[other] as number;
    list[other] = held;
  }
}

/** How far it is from a stop to those nearest to it, on average. */
function usualWay({ travel, places, place }: Ground, { near }: Neighbours): number {
  let sum = 0;
  let count = 0;
  near.forEach((others, stop) => {
    for (const other of others.subarray(1, 9)) {
      sum += travel[(place[stop] as number) * places + (place[other] as number)] as number;
      count++;
    }
  });
  return count > 0 && sum > 0 ? sum / count : 1;
}
