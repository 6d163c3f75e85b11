import type { OrderProblem, Sequence } from './problem.ts';
import { RoundTrip } from './round-trip.ts';

const EQUAL = 1e-9;

/**
 * Whether only the length of the way counts: one person who comes back to where they began, no hour
 * that could be missed, and ways that are as long there as back.
 */
export function isRoundTrip({ stops, walkers, travel, places }: OrderProblem): boolean {
  const [one, ...others] = walkers;
  if (!one || others.length > 0 || one.end !== one.start) return false;
  if (one.first?.length || one.last?.length || one.breaks?.length || one.holds?.length)
    return false;
  if (stops.length < 3 || stops.some(({ windows, against }) => windows?.length || against?.[0]))
    return false;
  for (let a = 0; a < places; a++)
    for (let b = 0; b < a; b++)
      if (Math.abs((travel[a * places + b] ?? 0) - (travel[b * places + a] ?? 0)) > EQUAL)
        return false;
  const longest = Array.from(travel).reduce((most, each) => Math.max(most, each), 0);
  const work = stops.reduce((sum, { minutes }) => sum + minutes, 0);
  // Even the worst way would fit into the day.
  return one.from + work + longest * (stops.length + 1) <= one.to;
}

/** Such a trip while it is looked for, as the stops in their order. */
export class PlainSearch {
  readonly #trip: RoundTrip;

  constructor({ stops, walkers, travel, places }: OrderProblem, seed?: number) {
    const start = walkers[0]?.start ?? 0;
    const at = [start, ...stops.map(({ place }) => place)];
    const away = new Float64Array(at.length ** 2);
    at.forEach((from, i) =>
      at.forEach((to, k) => (away[i * at.length + k] = travel[from * places + to] ?? 0)),
    );
    this.#trip = new RoundTrip(at.length, away, seed);
  }

  get length(): number {
    return this.#trip.length;
  }

  get sequence(): Sequence {
    return [this.#trip.order.slice(1).map((each) => each - 1)];
  }

  go(tries: number): void {
    this.#trip.go(tries);
  }
}
