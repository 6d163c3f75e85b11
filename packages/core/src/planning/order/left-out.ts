import { after, firstBegin } from './clock.ts';
import { layOut } from './ground.ts';
import type { OrderProblem } from './problem.ts';

/** Why nobody could be given a stop. Words are made where it is shown. */
export type WhyLeftOut =
  /** It suits nobody. */
  | { readonly code: 'suits nobody' }
  /** No vehicle of those it suits holds so much of a measure, by index. */
  | { readonly code: 'too much'; readonly measure: number }
  /** Even with nothing else to do, nobody it suits is there in time and back; the first could begin at `soonest`. */
  | { readonly code: 'out of reach'; readonly soonest: number; readonly until: number }
  /** With nothing else to do these could, by index of the walker: their days are full of what matters more. */
  | { readonly code: 'days are full'; readonly could: readonly number[] };

export function whyLeftOut(problem: OrderProblem, stop: number): WhyLeftOut {
  const ground = layOut(problem);
  const { places, travel, place, measures, walkers } = ground;
  const here = place[stop] as number;
  const suited = Array.from({ length: walkers }, (_, w) => w).filter(
    (w) => ground.against[stop * walkers + w] !== Infinity,
  );
  if (suited.length === 0) return { code: 'suits nobody' };
  const measure = (w: number): number =>
    Array.from({ length: measures }, (_, m) => m).find(
      (m) => (ground.takes[stop * measures + m] ?? 0) > (ground.holds[w * measures + m] ?? 0),
    ) ?? -1;
  const strong = suited.filter((w) => measure(w) === -1);
  if (strong.length === 0) return { code: 'too much', measure: measure(suited[0] ?? 0) };
  let soonest = Infinity;
  const could = strong.filter((w) => {
    const breaks = ground.breaks[w] ?? [];
    const there = after(
      breaks,
      ground.from[w] ?? 0,
      travel[(ground.start[w] ?? 0) * places + here] ?? 0,
    );
    soonest = Math.min(soonest, there);
    const begins = firstBegin(ground.windows[stop] ?? [], breaks, there);
    if (begins === Infinity) return false;
    const end = ground.end[w] ?? -1;
    const home = end === -1 ? 0 : (travel[here * places + end] ?? 0);
    return (
      after(breaks, after(breaks, begins, ground.minutes[stop] ?? 0), home) <= (ground.to[w] ?? 0)
    );
  });
  if (could.length > 0) return { code: 'days are full', could };
  return { code: 'out of reach', soonest, until: ground.lastBegin[stop] ?? Infinity };
}
