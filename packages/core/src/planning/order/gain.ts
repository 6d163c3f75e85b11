import { layOut } from './ground.ts';
import type { Order, OrderProblem, Sequence } from './problem.ts';
import { Trails } from './trails.ts';

/** The days as they would be walked in an order somebody chose, late or not. */
export const walkedIn = (problem: OrderProblem, sequence: Sequence): Order =>
  new Trails(layOut(problem), sequence).order();

/** How far everybody goes, by any table of the same form as that of travel, such as metres. */
export function farness(
  problem: OrderProblem,
  sequence: Sequence,
  table: ArrayLike<number>,
): number {
  const { places, walkers, stops } = problem;
  return sequence.reduce((sum, own, walker) => {
    const { start = 0, end = null } = walkers[walker] ?? {};
    if (own.length === 0) return sum;
    const way = [
      start,
      ...own.map((stop) => stops[stop]?.place ?? 0),
      ...(end === null ? [] : [end]),
    ];
    return way.reduce(
      (total, at, i) => (i === 0 ? total : total + (table[(way[i - 1] ?? 0) * places + at] ?? 0)),
      sum,
    );
  }, 0);
}

/** What becomes other for one person. */
export interface TrailChange {
  readonly walker: number;
  /** Stops they had already that stand elsewhere among those, in the new order. */
  readonly reordered: readonly number[];
  /** Stops that come to them, and from whom; null for those nobody had. */
  readonly takes: readonly { readonly stop: number; readonly from: number | null }[];
  readonly gives: readonly { readonly stop: number; readonly to: number | null }[];
  /** Minutes on the way more, less below 0. */
  readonly travel: number;
}

/** What can be taken by itself: people among whom stops change hands go together. */
export interface Change {
  readonly people: readonly TrailChange[];
  readonly travel: number;
}

/** What is other in an order than it was before, part by part; those that save most first. */
export function changesBetween(problem: OrderProblem, before: Sequence, now: Order): Change[] {
  const was = walkedIn(problem, before);
  const had = holders(was);
  const has = holders(now);
  const changes = problem.walkers.map((_, walker): TrailChange => {
    const mine = now.trails[walker]?.stops.map(({ stop }) => stop) ?? [];
    const mineBefore = was.trails[walker]?.stops.map(({ stop }) => stop) ?? [];
    const stays = new Set(mine.filter((stop) => had.get(stop) === walker));
    return {
      walker,
      reordered: movedAmong(
        mineBefore.filter((stop) => stays.has(stop)),
        mine.filter((stop) => stays.has(stop)),
      ),
      takes: mine
        .filter((stop) => !stays.has(stop))
        .map((stop) => ({ stop, from: had.get(stop) ?? null })),
      gives: mineBefore
        .filter((stop) => has.get(stop) !== walker)
        .map((stop) => ({ stop, to: has.get(stop) ?? null })),
      travel: (now.trails[walker]?.travel ?? 0) - (was.trails[walker]?.travel ?? 0),
    };
  });
  const isOther = ({ reordered, takes, gives }: TrailChange): boolean =>
    reordered.length + takes.length + gives.length > 0;
  return together(changes.filter(isOther))
    .map((people) => ({
      people,
      travel: people.reduce((sum, { travel }) => sum + travel, 0),
    }))
    .sort((a, b) => a.travel - b.travel);
}

const holders = ({ trails }: Order): Map<number, number> =>
  new Map(trails.flatMap(({ walker, stops }) => stops.map(({ stop }) => [stop, walker] as const)));

/** The fewest of some stops that have to be lifted out so that the others stand as they did. */
function movedAmong(before: readonly number[], now: readonly number[]): number[] {
  const at = new Map(before.map((stop, i) => [stop, i]));
  // The longest run that rises: what is not in it moved.
  const best: number[] = [];
  const from: number[] = [];
  now.forEach((stop, i) => {
    best[i] = 1;
    from[i] = -1;
    for (let k = 0; k < i; k++)
      if (
        (at.get(now[k] ?? -1) ?? 0) < (at.get(stop) ?? 0) &&
        (best[k] ?? 0) + 1 > (best[i] ?? 0)
      ) {
        best[i] = (best[k] ?? 0) + 1;
        from[i] = k;
      }
  });
  const stays = new Set<number>();
  for (let i = best.indexOf(Math.max(0, ...best)); i >= 0; i = from[i] ?? -1) stays.add(i);
  return now.filter((_, i) => !stays.has(i));
}

/** People among whom stops change hands, and through others, are one group. */
function together(changes: readonly TrailChange[]): TrailChange[][] {
  const groups: TrailChange[][] = [];
  const left = new Set(changes);
  for (const begin of changes) {
    if (!left.delete(begin)) continue;
    const group = [begin];
    for (const one of group)
      for (const other of left)
        if (sharesWith(one, other.walker) || sharesWith(other, one.walker)) {
          left.delete(other);
          group.push(other);
        }
    groups.push(group);
  }
  return groups;
}

const sharesWith = ({ takes, gives }: TrailChange, walker: number): boolean =>
  takes.some(({ from }) => from === walker) || gives.some(({ to }) => to === walker);
