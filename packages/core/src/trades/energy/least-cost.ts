/** Something that can be chosen for one thing: what it gains, what it costs and what is given back of that. */
export interface Option {
  readonly gain: number;
  readonly cost: number;
  readonly back: number;
}

export interface Wanted {
  /** Gain that is to be reached. */
  readonly needed: number;
  /** What is spent, and given back, already. */
  readonly fixed: { readonly cost: number; readonly back: number };
  /** Most that is given back of everything. */
  readonly cap: number;
}

export interface Choice<Of extends Option> {
  /** Null where nothing reaches it for less than was asked. */
  readonly chosen: readonly Of[] | null;
  readonly net: number;
  /** No choice there is costs less than this. */
  readonly atLeast: number;
  /** False where the search was stopped before it was through. */
  readonly isLeast: boolean;
}

/** Steps after which a search rests with the best it has. */
const MOST_STEPS = 20_000;
/** Below this a difference in cost or gain is none. */
const NEAR = 1e-9;

/** One step up in what a thing gains, at the least that a unit of gain can cost there. */
interface Rise {
  readonly thing: number;
  readonly gain: number;
  readonly price: number;
}

/**
 * For each thing at most one of its options, so that the gains reach what is needed at the least net cost; the
 * net cost is what is spent less what is given back, of which there is a most. By branch and bound: the bound
 * is the cheapest way in which options may be taken in part (the lower hull of each thing), once with
 * everything given back and once with the most of it, whichever is dearer; neither can be beaten by a whole
 * choice.
 */
export function leastCost<Of extends Option>(
  things: readonly (readonly Of[])[],
  { needed, fixed, cap }: Wanted,
  below: number,
): Choice<Of> {
  const mostOf = (options: readonly Of[]): number =>
    options.reduce((most, { gain }) => Math.max(most, gain), 0);
  const sorted = [...things].sort((a, b) => mostOf(b) - mostOf(a));
  const left = sorted.map((_, at) =>
    sorted.slice(at).reduce((sum, options) => sum + mostOf(options), 0),
  );
  const netRises = risesOf(sorted, ({ cost, back }) => cost - back);
  const costRises = risesOf(sorted, ({ cost }) => cost);
  const netOf = (cost: number, back: number): number => cost - Math.min(cap, back);
  let best: readonly Of[] | null = null;
  let least = below;
  let steps = 0;
  const boundAt = (at: number, missing: number, cost: number, back: number): number =>
    Math.max(
      cost - back + inParts(netRises, at, missing),
      cost + inParts(costRises, at, missing) - cap,
    );
  const visit = (
    at: number,
    chosen: readonly Of[],
    gain: number,
    cost: number,
    back: number,
  ): void => {
    if (steps >= MOST_STEPS) return;
    steps++;
    const missing = needed - gain;
    if (missing <= NEAR) {
      // Nothing more is needed: more would only cost.
      const net = netOf(cost, back);
      if (net < least - NEAR) {
        least = net;
        best = chosen;
      }
      return;
    }
    const options = sorted[at];
    if (!options || (left[at] ?? 0) < missing - NEAR) return;
    if (boundAt(at, missing, cost, back) >= least - NEAR) return;
    const byPrice = [...options].sort(
      (a, b) => (a.cost - a.back) / (a.gain || NEAR) - (b.cost - b.back) / (b.gain || NEAR),
    );
    for (const option of byPrice)
      visit(
        at + 1,
        [...chosen, option],
        gain + option.gain,
        cost + option.cost,
        back + option.back,
      );
    visit(at + 1, chosen, gain, cost, back);
  };
  visit(0, [], 0, fixed.cost, fixed.back);
  const isLeast = steps < MOST_STEPS;
  const atLeast = isLeast ? least : boundAt(0, needed, fixed.cost, fixed.back);
  return { chosen: best, net: least, atLeast, isLeast };
}

/** Least that a missing gain costs where options may be taken in part, of the things from a place on. */
function inParts(rises: readonly Rise[], from: number, missing: number): number {
  let open = missing;
  let cost = 0;
  for (const { thing, gain, price } of rises) {
    if (thing < from) continue;
    const taken = Math.min(open, gain);
    cost += taken * price;
    open -= taken;
    if (open <= NEAR) break;
  }
  return cost;
}

/** The lower hulls of all things, from nothing to their largest gain, the cheapest rise first. */
function risesOf<Of extends Option>(
  things: readonly (readonly Of[])[],
  priceOf: (option: Of) => number,
): readonly Rise[] {
  return things
    .flatMap((options, thing) => {
      const points = options
        .map((option) => ({ gain: option.gain, cost: priceOf(option) }))
        .filter(({ gain }) => gain > NEAR)
        .sort((a, b) => a.gain - b.gain || a.cost - b.cost);
      const hull: { gain: number; cost: number }[] = [{ gain: 0, cost: 0 }];
      const slope = (
        a: { gain: number; cost: number },
        b: { gain: number; cost: number },
      ): number => (b.cost - a.cost) / Math.max(NEAR, b.gain - a.gain);
      for (const point of points) {
        for (;;) {
          const last = hull.at(-1);
          const before = hull.at(-2);
          if (!last || !before || slope(before, last) <= slope(before, point)) break;
          hull.pop();
        }
        hull.push(point);
      }
      return hull.slice(1).map((point, at): Rise => {
        const before = hull[at] ?? { gain: 0, cost: 0 };
        return { thing, gain: point.gain - before.gain, price: slope(before, point) };
      });
    })
    .sort((a, b) => a.price - b.price);
}
