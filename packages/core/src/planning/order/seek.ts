import { walkedIn } from './gain.ts';
import { isRoundTrip, PlainSearch } from './plain.ts';
import type { Order, OrderProblem } from './problem.ts';
import { OrderSearch, type SearchOptions } from './search.ts';

export interface SeekOptions extends SearchOptions {
  /** For how long, in milliseconds. */
  readonly millis: number;
  /** What the clock says, in milliseconds. */
  readonly now: () => number;
  /** Told of each better order, and how much of the time is over, between 0 and 1. */
  readonly onBetter?: (order: Order, share: number) => void;
  /** Asked now and then whether to stop. */
  readonly stopped?: () => boolean;
}

/** The first answer is there after this share of the time, or so many milliseconds if that is sooner. */
const FIRST_SHARE = 0.35;
const FIRST_MS = 800;
/** How many tries between two looks at the clock. */
const TRIES = 25;
/** Told of at most so often, in milliseconds. */
const TELL_MS = 150;

/** What is looked with: it can be asked for its best at any time, and gets no worse. */
interface Seeker {
  readonly cost: () => number;
  readonly order: () => Order;
  readonly go: (tries: number, heat: number) => void;
  readonly backToBest: () => void;
}

/**
 * Looks for the best order for as long as it may: quickly at first, so that there soon is a good
 * answer, then once more from there at leisure.
 */
export function seekOrder(problem: OrderProblem, options: SeekOptions): Order {
  const { millis, now, onBetter, stopped = () => false } = options;
  const seeker = seekerFor(problem, options);
  const began = now();
  const first = Math.min(millis * FIRST_SHARE, FIRST_MS);
  let told = seeker.cost();
  let toldAt = began;
  const tell = (at: number): void => {
    if (seeker.cost() >= told) return;
    told = seeker.cost();
    toldAt = at;
    onBetter?.(seeker.order(), Math.min(1, (at - began) / millis));
  };
  const round = (from: number, to: number, heat: number): boolean => {
    for (;;) {
      const at = now();
      const gone = (at - began - from) / (to - from);
      if (gone >= 1) return true;
      if (stopped()) return false;
      seeker.go(TRIES, heat * (1 - gone));
      if (at - toldAt >= TELL_MS) tell(at);
    }
  };
  if (round(0, first, 0.7)) {
    seeker.backToBest();
    round(first, millis, 1);
  }
  tell(now());
  return seeker.order();
}

function seekerFor(problem: OrderProblem, options: SearchOptions): Seeker {
  if (isRoundTrip(problem)) {
    const trip = new PlainSearch(problem, options.seed);
    return {
      cost: () => trip.length,
      order: () => walkedIn(problem, trip.sequence),
      go: (tries) => trip.go(tries),
      backToBest: () => undefined,
    };
  }
  const search = new OrderSearch(problem, options);
  return {
    cost: () => search.bestCost,
    order: () => search.best,
    go: (tries, heat) => search.go(tries, heat),
    backToBest: () => search.backToBest(),
  };
}
