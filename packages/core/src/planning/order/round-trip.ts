import { chanceOf } from './chance.ts';

/** So many of the nearest places are tried as neighbours. */
const NEAR = 10;
/** How far apart the four cuts of a shake lie, in places along the way. */
const SHAKE = 50;
const EQUAL = 1e-9;

/**
 * The shortest way through all places and back, where it is as far there as back and no hour matters:
 * turned pieces (2-opt) and moved ones (Or-opt) among near neighbours, shaken by exchanging two
 * pieces that lie close together (double bridge), as in D. S. Johnson, L. A. McGeoch, “The Traveling
 * Salesman Problem: A Case Study in Local Optimization” (1997).
 */
export class RoundTrip {
  readonly #count: number;
  readonly #away: ArrayLike<number>;
  readonly #near: readonly Int32Array[];
  readonly #order: Int32Array;
  readonly #at: Int32Array;
  readonly #kept: Int32Array;
  readonly #chance: () => number;
  readonly #waiting: number[] = [];
  readonly #isWaiting: Uint8Array;
  #length = 0;
  #keptLength: number;

  constructor(count: number, away: ArrayLike<number>, seed = 1) {
    this.#count = count;
    this.#away = away;
    this.#chance = chanceOf(seed);
    this.#near = nearest(count, away);
    this.#order = fromNeighbourToNeighbour(count, away);
    this.#at = new Int32Array(count);
    this.#isWaiting = new Uint8Array(count);
    this.#reckon();
    for (const place of this.#order) this.#wait(place);
    this.#settle();
    this.#kept = Int32Array.from(this.#order);
    this.#keptLength = this.#length;
  }

  /** How long the way is. */
  get length(): number {
    return this.#keptLength;
  }

  /** The places in their order, beginning with the first of the table. */
  get order(): number[] {
    const begins = this.#kept.indexOf(0);
    return [...this.#kept.subarray(begins), ...this.#kept.subarray(0, begins)];
  }

  go(tries: number): void {
    if (this.#count < 8) return;
    for (let i = 0; i < tries; i++) {
      this.#shake();
      this.#settle();
      if (this.#length < this.#keptLength + EQUAL) {
        this.#kept.set(this.#order);
        this.#keptLength = this.#length;
      } else {
        this.#order.set(this.#kept);
        this.#reckon();
      }
    }
  }

  #reckon(): void {
    this.#length = 0;
    this.#order.forEach((place, i) => {
      this.#at[place] = i;
      this.#length += this.#between(place, this.#nextOf(place, i));
    });
  }

  #between(a: number, b: number): number {
    return this.#away[a * this.#count + b] as number;
  }

  #nextOf(place: number, at = this.#at[place] as number): number {
    return this.#order[at + 1 === this.#count ? 0 : at + 1] as number;
  }

  #beforeOf(place: number): number {
    const at = this.#at[place] as number;
    return this.#order[at === 0 ? this.#count - 1 : at - 1] as number;
  }

  #wait(place: number): void {
    if (this.#isWaiting[place] === 1) return;
    this.#isWaiting[place] = 1;
    this.#waiting.push(place);
  }

  /** Makes every change that shortens the way, until none is left. */
  #settle(): void {
    for (;;) {
      const place = this.#waiting.pop();
      if (place === undefined) return;
      this.#isWaiting[place] = 0;
      if (this.#turnAt(place) || this.#moveFrom(place)) this.#wait(place);
    }
  }

  #turnAt(a: number): boolean {
    for (const forwards of [true, false]) {
      const b = forwards ? this.#nextOf(a) : this.#beforeOf(a);
      const was = this.#between(a, b);
      for (const c of this.#near[a] as Int32Array) {
        const toC = this.#between(a, c);
        if (toC >= was) break;
        const d = forwards ? this.#nextOf(c) : this.#beforeOf(c);
        const more = toC + this.#between(b, d) - was - this.#between(c, d);
        if (more >= -EQUAL) continue;
        if (forwards) this.#turn(b, c);
        else this.#turn(a, d);
        this.#length += more;
        for (const each of [a, b, c, d]) this.#wait(each);
        return true;
      }
    }
    return false;
  }

  /** Moves up to three places that follow each other to between two neighbours. */
  #moveFrom(first: number): boolean {
    for (let many = 1; many <= 3; many++)
      for (const forwards of [true, false]) {
        let last = first;
        for (let i = 1; i < many; i++) last = forwards ? this.#nextOf(last) : this.#beforeOf(last);
        const before = forwards ? this.#beforeOf(first) : this.#nextOf(first);
        const behind = forwards ? this.#nextOf(last) : this.#beforeOf(last);
        if (before === behind || before === last) continue;
        const out =
          this.#between(before, first) +
          this.#between(last, behind) -
          this.#between(before, behind);
        if (out <= EQUAL) continue;
        for (const c of this.#near[first] as Int32Array) {
          const toC = this.#between(first, c);
          if (toC >= out) break;
          if (this.#isAmong(c, first, last, forwards)) continue;
          for (const d of [this.#nextOf(c), this.#beforeOf(c)]) {
            if (this.#isAmong(d, first, last, forwards)) continue;
            const more = toC + this.#between(last, d) - this.#between(c, d) - out;
            if (more >= -EQUAL) continue;
            this.#move(forwards ? first : last, forwards ? last : first, c, d, first);
            this.#length += more;
            for (const each of [before, behind, first, last, c, d]) this.#wait(each);
            return true;
          }
        }
      }
    return false;
  }

  #isAmong(place: number, first: number, last: number, forwards: boolean): boolean {
    for (let at = first; ; at = forwards ? this.#nextOf(at) : this.#beforeOf(at)) {
      if (at === place) return true;
      if (at === last) return false;
    }
  }

  /** Puts the piece from one place to another between two neighbours, `head` of it next to the first of them. */
  #move(from: number, to: number, c: number, d: number, head: number): void {
    const count = this.#count;
    const many = (((this.#at[to] as number) - (this.#at[from] as number) + count) % count) + 1;
    const piece: number[] = [];
    for (let i = 0, at = from; i < many; i++, at = this.#nextOf(at)) piece.push(at);
    const cFirst = this.#nextOf(c) === d;
    // Shifts all that lies between the piece and its new place by its length, along the shorter side.
    const begin = this.#at[from] as number;
    const left = cFirst ? c : d;
    const ahead = ((this.#at[left] as number) - (begin + many - 1) + 2 * count) % count;
    const back = (begin - (this.#at[left] as number) - 1 + 2 * count) % count;
    let gap: number;
    if (ahead <= back) {
      for (let i = 0; i < ahead; i++) this.#put(begin + i, this.#order[(begin + many + i) % count]);
      gap = begin + ahead;
    } else {
      for (let i = 0; i < back; i++)
        this.#put(begin + many - 1 - i, this.#order[(begin - 1 - i + count) % count]);
      gap = begin - back;
    }
    const headFirst = (cFirst ? head : piece[0] === head ? piece.at(-1) : piece[0]) === piece[0];
    const laid = headFirst ? piece : piece.reverse();
    laid.forEach((place, i) => this.#put(gap + i, place));
  }

  #put(at: number, place: number | undefined): void {
    const index = ((at % this.#count) + this.#count) % this.#count;
    this.#order[index] = place as number;
    this.#at[place as number] = index;
  }

  /** Turns the piece from one place to another, or what is outside of it where that is shorter. */
  #turn(from: number, to: number): void {
    const count = this.#count;
    let i = this.#at[from] as number;
    let k = this.#at[to] as number;
    let many = ((k - i + count) % count) + 1;
    if (many * 2 > count) {
      [i, k] = [(k + 1) % count, (i - 1 + count) % count];
      many = count - many;
    }
    for (let half = many >> 1; half > 0; half--) {
      const a = this.#order[i] as number;
      const b = this.#order[k] as number;
      this.#order[i] = b;
      this.#at[b] = i;
      this.#order[k] = a;
      this.#at[a] = k;
      i = i + 1 === count ? 0 : i + 1;
      k = k === 0 ? count - 1 : k - 1;
    }
  }

  #shake(): void {
    const count = this.#count;
    const span = Math.min(SHAKE, count - 2);
    const begin = Math.floor(this.#chance() * count);
    const cuts = [0, 0, 0].map(() => 1 + Math.floor(this.#chance() * span)).sort((a, b) => a - b);
    const [one = 0, two = 0, three = 0] = cuts;
    if (one === two || two === three) return;
    const place = (i: number): number => this.#order[(begin + i) % count] as number;
    const first: number[] = [];
    const second: number[] = [];
    for (let i = one + 1; i <= two; i++) first.push(place(i));
    for (let i = two + 1; i <= three; i++) second.push(place(i));
    const [a, b] = [place(one), place(three + 1)];
    const old =
      this.#between(a, first[0] as number) +
      this.#between(first.at(-1) as number, second[0] as number) +
      this.#between(second.at(-1) as number, b);
    const laid = [...second, ...first];
    laid.forEach((each, i) => this.#put(begin + one + 1 + i, each));
    this.#length +=
      this.#between(a, second[0] as number) +
      this.#between(second.at(-1) as number, first[0] as number) +
      this.#between(first.at(-1) as number, b) -
      old;
    for (const each of [a, b, first[0], first.at(-1), second[0], second.at(-1)])
      this.#wait(each as number);
  }
}

function nearest(count: number, away: ArrayLike<number>): Int32Array[] {
  return Array.from({ length: count }, (_, from) => {
    const others = Int32Array.from({ length: count }, (_place, i) => i).filter((i) => i !== from);
    const far = (to: number): number => away[from * count + to] as number;
    return others.sort((a, b) => far(a) - far(b)).slice(0, NEAR);
  });
}

function fromNeighbourToNeighbour(count: number, away: ArrayLike<number>): Int32Array {
  const order = new Int32Array(count);
  const seen = new Uint8Array(count);
  let at = 0;
  for (let i = 0; i < count; i++) {
    order[i] = at;
    seen[at] = 1;
    let next = 0;
    let least = Infinity;
    for (let to = 0; to < count; to++) {
      const way = away[at * count + to] as number;
      if (seen[to] === 0 && way < least) [next, least] = [to, way];
    }
    at = next;
  }
  return order;
}
