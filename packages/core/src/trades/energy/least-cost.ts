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
  /** Steps after which the search rests with the best it has. */
  readonly mostSteps: number;
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

/** Below this a difference in cost or gain is none. */
const NEAR = 1e-9;

/** One step up in what a thing gains, at the least that a unit of gain can cost there. */
interface Rise {
  readonly thing: number;
  readonly gain: number;
  readonly price: number;
}

/** Things with the options that are worth looking at, made ready to be searched more than once. */
export interface Choosing<Of extends Option> {
  /** Those that may gain most first; of each its options, the cheapest gain first. */
  readonly things: readonly (readonly Of[])[];
  /** The most that the things from each place on can gain. */
  readonly left: readonly number[];
  readonly netRises: readonly Rise[];
  readonly costRises: readonly Rise[];
}

const netOfOne = ({ cost, back }: Option): number => cost - back;

export function choosing<Of extends Option>(things: readonly (readonly Of[])[]): Choosing<Of> {
  const mostOf = (options: readonly Of[]): number =>
    options.reduce((most, { gain }) => Math.max(most, gain), 0);
  const sorted = things
    .filter((options) => options.length > 0)
    .map((options) =>
      undominated(options).sort(
        (a, b) => netOfOne(a) / (a.gain || NEAR) - netOfOne(b) / (b.gain || NEAR),
      ),
    )
    .sort((a, b) => mostOf(b) - mostOf(a));
  return {
    things: sorted,
    left: sorted.map((_, at) =>
      sorted.slice(at).reduce((sum, options) => sum + mostOf(options), 0),
    ),
    netRises: risesOf(sorted, netOfOne),
    costRises: risesOf(sorted, ({ cost }) => cost),
  };
}

/** Without those that another gains as much as for less, before and after what is given back. */
export function undominated<Of extends Option>(options: readonly Of[]): Of[] {
  return options.filter(
    (each, at) =>
      !options.some(
        (other, before) =>
          other.gain >= each.gain &&
          other.cost <= each.cost &&
          netOfOne(other) <= netOfOne(each) &&
          (before < at ||
            other.gain > each.gain ||
            other.cost < each.cost ||
            netOfOne(other) < netOfOne(each)),
      ),
  );
}

/**
 * For each thing at most one of its options, so that the gains reach what is needed at the least net cost; the
 * net cost is what is spent less what is given back, of which there is a most. By branch and bound: the bound
 * is the cheapest way in which options may be taken in part (the lower hull of each thing), once with
 * everything given back and once with the most of it, whichever is dearer; neither can be beaten by a whole
 * choice.
 */
export function leastCost<Of extends Option>(
  { things, left, netRises, costRises }: Choosing<Of>,
  { needed, fixed, cap, mostSteps }: Wanted,
  below: number,
): Choice<Of> {
  const netOf = (cost: number, back: number): number => cost - Math.min(cap, back);
  let best: readonly Of[] | null = null;
  let least = below;
  let steps = 0;
  // To begin with, the most of each thing until it is enough: there is an answer where there can be one.
  const first = untilEnough(things, needed);
  const spent = (pick: (option: Of) => number, from: number): number =>
    (first ?? []).reduce((sum, option) => sum + pick(option), from);
  const known = netOf(
    spent(({ cost }) => cost, fixed.cost),
    spent(({ back }) => back, fixed.back),
  );
  if (first && known < least - NEAR) {
    best = first;
    least = known;
  }
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
    if (steps >= mostSteps) return;
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
    const options = things[at];
    if (!options || (left[at] ?? 0) < missing - NEAR) return;
    if (boundAt(at, missing, cost, back) >= least - NEAR) return;
    for (const option of options)
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
  const isLeast = steps < mostSteps;
  const atLeast = isLeast ? least : boundAt(0, needed, fixed.cost, fixed.back);
  return { chosen: best, net: least, atLeast, isLeast };
}

/** The option that gains most of each thing, until what is needed is reached; null where it is not. */
function untilEnough<Of extends Option>(
  things: readonly (readonly Of[])[],
  needed: number,
): readonly Of[] | null {
  const chosen: Of[] = [];
  let missing = needed;
  for (const options of things) {
    if (missing <= NEAR) break;
    const most = options.reduce((a, b) => (b.gain > a.gain ? b : a));
    chosen.push(most);
    missing -= most.gain;
  }
  return missing <= NEAR ? chosen : null;
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
