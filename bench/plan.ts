import {
  OrderSearch,
  seekOrder,
  walkedIn,
  type Order,
  type OrderProblem,
} from '@ant-trail/core/planning/order';
import { show } from './measure.ts';
import { planFile, readPlanFile } from './plan-file.ts';

let seed = 11;
const chance = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;

const tableOf = (points: readonly (readonly [number, number])[]): Float64Array => {
  const travel = new Float64Array(points.length ** 2);
  points.forEach(([ax, ay], a) =>
    points.forEach(([bx, by], b) => {
      travel[a * points.length + b] = Math.hypot(ax - bx, ay - by);
    }),
  );
  return travel;
};

const within = (problem: OrderProblem, seconds: number, from?: readonly number[][]): Order =>
  seekOrder(problem, {
    ...{ millis: seconds * 1_000, now: () => performance.now() },
    ...(from ? { from } : {}),
  });

const say = (name: string, figure: string, against: string): void =>
  console.log(`${name.padEnd(52)} ${figure.padStart(9)}   ${against}`);

/** Published problems with their published optima; where R101 and RC101 come from stands beside the tests. */
const PUBLISHED = [
  ['berlin52', 7542],
  ['c101-25', 191.3],
  ['r101-25', 617.1],
  ['rc101-25', 461.1],
] as const;

function published(): void {
  for (const [name, optimum] of PUBLISHED) {
    const { problem } = readPlanFile(`packages/core/test/data/${name}.csv`);
    const { travel } = within(problem, 1.5);
    say(`${name} in 1.5 s`, (travel / optimum).toFixed(4), `of the published optimum ${optimum}`);
  }
}

const PEOPLE = 10;
const SLOTS = 20;
const SLOT = 45;

/**
 * A day whose best order is known: in each slot of time there are as many stops as people, each of which
 * has to begin then, so that everybody does one in each. What is left to choose is who goes from which to
 * which, slot by slot, and that is an assignment of ten to ten.
 */
function knownDay(): { readonly problem: OrderProblem; readonly optimum: number } {
  const points: [number, number][] = [[12, 12]];
  for (let i = 0; i < PEOPLE * SLOTS; i++) points.push([chance() * 24, chance() * 24]);
  const travel = tableOf(points);
  const places = points.length;
  const away = (a: number, b: number): number => travel[a * places + b] ?? 0;
  let optimum = 0;
  const at = (slot: number, i: number): number => 1 + slot * PEOPLE + i;
  for (let i = 0; i < PEOPLE; i++) optimum += away(0, at(0, i)) + away(at(SLOTS - 1, i), 0);
  for (let slot = 1; slot < SLOTS; slot++)
    optimum += leastAssignment((i, k) => away(at(slot - 1, i), at(slot, k)));
  return {
    optimum,
    problem: {
      ...{ places, travel },
      stops: points.slice(1).map((_, i) => {
        const from = 20 + Math.floor(i / PEOPLE) * SLOT;
        return { id: `${i}`, place: i + 1, minutes: 10, windows: [{ from, to: from + 5 }] };
      }),
      walkers: Array.from({ length: PEOPLE }, (_, i) => ({
        ...{ id: `${i}`, start: 0, end: 0, from: 0, to: 24 * 60 },
      })),
    },
  };
}

/** The cheapest way to give ten to ten, over all sets of those that are taken. */
function leastAssignment(cost: (from: number, to: number) => number): number {
  const least = new Float64Array(1 << PEOPLE).fill(Infinity);
  least[0] = 0;
  for (let taken = 0; taken < least.length; taken++) {
    let from = 0;
    for (let bits = taken; bits > 0; bits &= bits - 1) from++;
    for (let to = 0; to < PEOPLE && from < PEOPLE; to++) {
      const next = taken | (1 << to);
      if (next !== taken)
        least[next] = Math.min(least[next] ?? 0, (least[taken] ?? 0) + cost(from, to));
    }
  }
  return least.at(-1) ?? Number.NaN;
}

/** A thousand stops on an island forty kilometres wide, half of them promised for two hours. */
function largeDay(): OrderProblem {
  const points: [number, number][] = [[30, 30]];
  for (let i = 0; i < 1_000; i++) points.push([chance() * 60, chance() * 60]);
  return {
    ...{ places: points.length, travel: tableOf(points) },
    stops: points.slice(1).map((_, i) => {
      const from = 60 * Math.floor(chance() * 7);
      const windows = i % 2 === 0 ? [{ from, to: from + 120 }] : [];
      return { id: `${i}`, place: i + 1, minutes: 10, takes: [1], windows };
    }),
    walkers: Array.from({ length: 40 }, (_, i) => ({
      ...{ id: `${i}`, start: 0, end: 0, from: 0, to: 540, holds: [30] },
    })),
  };
}

/**
 * The peer: nearest insertion. One trail after the other takes the stop that is nearest to any it has,
 * at the place where it costs least, as long as one fits.
 */
function nearestInsertion(problem: OrderProblem): number[][] {
  const left = new Set(problem.stops.keys());
  const trails: number[][] = problem.walkers.map(() => []);
  const away = (a: number, b: number): number => problem.travel[a * problem.places + b] ?? 0;
  const placeOf = (stop: number): number => problem.stops[stop]?.place ?? 0;
  problem.walkers.forEach(({ start, end, from, to, holds }, who) => {
    const own = trails[who] ?? [];
    const fits = (stops: readonly number[]): boolean => {
      let now = from;
      let at = start;
      for (const stop of stops) {
        const { place = 0, minutes = 0, windows = [] } = problem.stops[stop] ?? {};
        now = Math.max(now + away(at, place), windows[0]?.from ?? 0);
        if (now > (windows[0]?.to ?? Infinity)) return false;
        now += minutes;
        at = place;
      }
      return now + away(at, end ?? at) <= to && stops.length <= (holds?.[0] ?? Infinity);
    };
    for (;;) {
      const near = [...left].map((stop) => ({
        stop,
        far: Math.min(...[start, ...own.map(placeOf)].map((at) => away(at, placeOf(stop)))),
      }));
      near.sort((a, b) => a.far - b.far);
      let put = false;
      for (const { stop } of near.slice(0, 40)) {
        const best = Array.from({ length: own.length + 1 }, (_, i) => i)
          .map((i) => {
            const a = i === 0 ? start : placeOf(own[i - 1] ?? 0);
            const b = i === own.length ? (end ?? a) : placeOf(own[i] ?? 0);
            return { i, more: away(a, placeOf(stop)) + away(placeOf(stop), b) - away(a, b) };
          })
          .sort((a, b) => a.more - b.more)
          .find(({ i }) => fits([...own.slice(0, i), stop, ...own.slice(i)]));
        if (!best) continue;
        own.splice(best.i, 0, stop);
        left.delete(stop);
        put = true;
        break;
      }
      if (!put) return;
    }
  });
  return trails;
}

/** How soon one stop more has its place in a day of 200, and what that costs beside looking for long. */
function oneChange(problem: OrderProblem): void {
  const without = { ...problem, stops: problem.stops.slice(0, -1) };
  const from = within(without, 5).trails.map(({ stops }) => stops.map(({ stop }) => stop));
  const began = performance.now();
  const search = new OrderSearch(problem, { from });
  for (let i = 0; i < 4; i++) search.go(25, 0);
  const took = performance.now() - began;
  const long = within(problem, 10, from).cost;
  show('one stop more in a day of 200, four times slower', took * 4, 'limit 300 ms');
  say('  its cost', (search.bestCost / long).toFixed(4), 'of what ten seconds find');
}

/** The order of stops, against published optima and known ones; with a file, the order of that. */
export function benchPlan(file?: string, options: readonly string[] = []): void {
  if (file) return planFile(file, options);
  published();
  const { problem, optimum } = knownDay();
  const known = within(problem, 30);
  say(
    '200 stops, 10 people, windows, in 30 s',
    (known.travel / optimum).toFixed(4),
    `of the optimum, ${known.unplaced.length} left out; limit 1.02`,
  );
  oneChange(problem);
  const large = largeDay();
  const ours = within(large, 60);
  const peer = walkedIn(large, nearestInsertion(large));
  const placed = (order: Order): number => large.stops.length - order.unplaced.length;
  say(
    '1,000 stops, 40 people, in 60 s',
    `${((1 - ours.travel / peer.travel) * 100).toFixed(1)} %`,
    `less way than nearest insertion, ${placed(ours)} placed against ${placed(peer)}; limit 15 %`,
  );
}
