/// <reference lib="webworker" />
import type { MapLayer } from '@ant-trail/contract/maps';
import { WayNetwork, wayLines } from '@ant-trail/core/maps/ways';
import {
  betterDay,
  waysAmong,
  type DayOfWork,
  type DayOrder,
} from '@ant-trail/core/planning/order';

/** What the page asks: a day, the map of this phone, and for how long it may be looked. */
export interface OrderAsked {
  readonly day: DayOfWork;
  readonly layers: readonly MapLayer[];
  /** After each of these milliseconds the best so far is told. */
  readonly rounds: readonly number[];
}

export type OrderTold = DayOrder;

const here = self as unknown as DedicatedWorkerGlobalScope;

// A good order soon, a better one while it goes on; the page ends it by ending the worker.
here.addEventListener('message', ({ data }: MessageEvent<OrderAsked>) => {
  const ways = waysAmong(new WayNetwork(wayLines(data.layers)));
  let best: DayOrder | undefined;
  for (const millis of data.rounds) {
    best = betterDay(data.day, ways, {
      ...{ millis, now: () => performance.now() },
      ...(best
        ? {
            from: best.trails.map(({ person, stops }) => ({
              person,
              visits: stops.map(({ visit }) => visit),
            })),
          }
        : {}),
    });
    here.postMessage(best satisfies OrderTold);
  }
});
