import type { Danger } from './dangers.ts';
import type { House } from './dwelling.ts';
import { airLoss, heatNeed, partLoss, useOf, wholeLoss } from './heat.ts';
import { THINGS } from './keys/index.ts';
import {
  betters,
  costOf,
  houseAfter,
  isSamePlace,
  rebateOf,
  thingOf,
  type Measure,
  type Taken,
} from './measure.ts';
import { choosing, leastCost, undominated, type Choice, type Option } from './least-cost.ts';
import { whyNot, type Terms } from './taken-up.ts';

/** What a house could still have done to it: each part and thing that has no measure yet, with what is allowed. */
export function openTo(
  house: House,
  taken: readonly Taken[],
  measures: readonly Measure[],
  terms: Terms,
  dangers: readonly Danger[],
): readonly (readonly Taken[])[] {
  const allowed = measures.filter((measure) => whyNot(measure, terms, dangers) === null);
  const isTaken = (where: Taken['where']): boolean =>
    taken.some((one) => isSamePlace(one.where, where));
  const ofParts = house.parts.map((part, at): readonly Taken[] => {
    const where = { part: at };
    return isTaken(where)
      ? []
      : allowed
          .filter((measure) => betters(measure, part))
          .map((measure) => ({ measure, where, size: part.area, isDone: false }));
  });
  const ofThings = THINGS.map((thing): readonly Taken[] => {
    const where = { thing };
    return isTaken(where)
      ? []
      : allowed
          .filter((measure) => thingOf(measure) === thing)
          .map((measure) => ({ measure, where, size: 1, isDone: false }));
  });
  return [...ofParts, ...ofThings].filter((options) => options.length > 0);
}

export interface NearestWay {
  readonly measures: readonly Taken[];
  /** What they cost beyond what is taken up already, less what is given back. */
  readonly net: number;
  /** What the house uses then, kWh a year. */
  readonly total: number;
  /** No way there is costs less than this. */
  readonly atLeast: number;
  /** Whether no cheaper way can be; a very large house may be left with a good one. */
  readonly isLeast: boolean;
}

/**
 * The least net cost by which the house uses no more than so many kWh a year; null where all that is allowed
 * does not get there. Exact: for each choice of what makes warmth, warm water and the base load, the heat need
 * only depends on what the shell and its gaps lose, and never falls as that grows; so what the shell has to
 * lose less is known, and the cheapest measures for that are a choice of one option for each part, solved by
 * branch and bound.
 */
export function nearestWay(
  house: House,
  taken: readonly Taken[],
  open: readonly (readonly Taken[])[],
  wanted: number,
  terms: Terms,
): NearestWay | null {
  const standing = taken.reduce(houseAfter, house);
  const already = {
    cost: taken.reduce((sum, one) => sum + costOf(one), 0),
    back: taken.reduce((sum, one) => sum + rebateOf(one), 0),
  };
  const netOf = (cost: number, back: number): number => cost - Math.min(terms.cap, back);
  const before = netOf(already.cost, already.back);
  // What makes warmth changes nothing of what shell and gaps lose.
  const shell = choosing(
    open
      .filter((options) => isOfShell(options[0]))
      .map((options) => options.map((one) => optionOf(standing, one))),
  );
  const loss = wholeLoss(standing);
  const offered = open
    .filter((options) => !isOfShell(options[0]))
    .map((options) => makersOf(standing, options));
  const isCut = offered.some((options) => options.length > MOST_MAKERS);
  const makers = combinations(offered.map((options) => options.slice(0, MOST_MAKERS)));
  const mostSteps = Math.max(FEWEST_STEPS, MOST_STEPS / makers.length);
  let best: NearestWay | null = null;
  let isLeast = !isCut;
  let atLeast = Infinity;
  for (const chosen of makers) {
    const made = chosen.reduce(houseAfter, standing);
    const most = lossFor(made, wanted);
    if (most === null) continue;
    const fixed = {
      cost: already.cost + chosen.reduce((sum, one) => sum + costOf(one), 0),
      back: already.back + chosen.reduce((sum, one) => sum + rebateOf(one), 0),
    };
    const found: Choice<ShellOption> = leastCost(
      shell,
      { needed: loss - most, fixed, cap: terms.cap, mostSteps },
      best === null ? Infinity : best.net + before,
    );
    isLeast &&= found.isLeast;
    if (!found.isLeast) atLeast = Math.min(atLeast, found.atLeast - before);
    if (!found.chosen) continue;
    const measures: readonly Taken[] = [...found.chosen.map(({ taken: one }) => one), ...chosen];
    best = {
      ...{ measures, net: found.net - before, isLeast: true, atLeast: found.net - before },
      total: useOf(measures.reduce(houseAfter, standing)).total,
    };
  }
  if (best === null) return null;
  // Of choices that were not looked at nothing is known.
  const lowest = isCut ? 0 : atLeast;
  return { ...best, isLeast, atLeast: Math.min(best.net, lowest) };
}

/** Steps of the search in all, and for each choice of makers at least. */
const MOST_STEPS = 40_000;
const FEWEST_STEPS = 200;
/** Makers of each kind that are looked at: of three kinds they make 512 choices. */
const MOST_MAKERS = 7;

/** What is worth looking at of what could make warmth, warm water or light, the cheapest first. */
function makersOf(house: House, options: readonly Taken[]): readonly Taken[] {
  const before = useOf(house).total;
  return undominated(
    options.map((taken) => ({
      ...{ taken, gain: before - useOf(houseAfter(house, taken)).total },
      ...{ cost: costOf(taken), back: rebateOf(taken) },
    })),
  )
    .sort((a, b) => a.cost - a.back - (b.cost - b.back))
    .map(({ taken }) => taken);
}

const isOfShell = (one: Taken | undefined): boolean =>
  one !== undefined && ('part' in one.where || one.where.thing === 'air');

interface ShellOption extends Option {
  readonly taken: Taken;
}

/** What an option spares in W/K, and costs. */
function optionOf(house: House, taken: Taken): ShellOption {
  const { where } = taken;
  const after = houseAfter(house, taken);
  const spares =
    'part' in where
      ? lossAt(house, where.part) - lossAt(after, where.part)
      : airLoss(house) - airLoss(after);
  return { taken, gain: spares, cost: costOf(taken), back: rebateOf(taken) };
}

const lossAt = ({ parts }: House, at: number): number => {
  const part = parts[at];
  return part ? partLoss(part) : 0;
};

/** Every choice of one option, or none, for each thing. */
function combinations(things: readonly (readonly Taken[])[]): readonly (readonly Taken[])[] {
  return things.reduce<readonly (readonly Taken[])[]>(
    (all, options) => all.flatMap((chosen) => [chosen, ...options.map((one) => [...chosen, one])]),
    [[]],
  );
}

/** The most W/K with which a house uses no more than so many kWh a year; null where it is too much even without. */
function lossFor(house: House, wanted: number): number | null {
  const whole = wholeLoss(house);
  if (useOf(house).total <= wanted) return whole;
  const left = (wanted - useOf(house, 0).total) * house.heating.efficiency * house.arrives;
  if (left < 0) return null;
  let low = 0;
  let high = whole;
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (heatNeed(house, middle) <= left) low = middle;
    else high = middle;
  }
  return low;
}
