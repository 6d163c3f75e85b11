import { walkedIn } from './gain.ts';
import type { OrderedTrail, OrderProblem, PlacedStop, Sequence } from './problem.ts';

/** Parts of the way between the earliest and the wished hour that are tried, the latest first. */
const PARTS = [1, 0.75, 0.5, 0.25] as const;

/**
 * An order of stops begins as early as hours allow: that is how the search fits most in. Nobody has to
 * set off before they would have, though. Gives each trail as late as it can begin: at `wish` (the minute
 * the first work of the day begins by the plan, by walker) or as near as all windows, and the end of the
 * day, are kept that it kept before.
 */
export function settingOff(
  problem: OrderProblem,
  trails: readonly OrderedTrail[],
  wish: (walker: number) => number,
): OrderedTrail[] {
  const sequence: Sequence = trails.map(({ stops }) => stops.map(({ stop }) => stop));
  const fits = (before: OrderedTrail, now: OrderedTrail): boolean =>
    now.ends <= Math.max(problem.walkers[before.walker]?.to ?? 0, before.ends) &&
    now.stops.every(({ stop, begins }, at) => {
      const { windows = [] } = problem.stops[stop] ?? {};
      return windows.length === 0 || isWithin(windows, begins) || begins <= begunAt(before, at);
    });
  let left = trails;
  const found = [...trails];
  for (const part of PARTS) {
    const walkers = problem.walkers.map((walker, w) => {
      const first = trails[w]?.stops[0];
      const later = first ? wish(w) - first.begins : 0;
      return later > 0 ? { ...walker, from: walker.from + later * part } : walker;
    });
    const tried = walkedIn({ ...problem, walkers }, sequence).trails;
    left = left.filter((before) => {
      const now = tried[before.walker];
      if (!now || !fits(before, now)) return true;
      found[before.walker] = now;
      return false;
    });
    if (left.length === 0) break;
  }
  return found;
}

const isWithin = (windows: readonly { readonly from: number; readonly to: number }[], at: number) =>
  windows.some(({ from, to }) => at >= from && at <= to);

const begunAt = ({ stops }: OrderedTrail, at: number): PlacedStop['begins'] =>
  stops[at]?.begins ?? -Infinity;
