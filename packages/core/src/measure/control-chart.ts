/** Centre and limits of an individuals chart, in the unit of its values. */
export interface IndividualsChart {
  readonly centre: number;
  readonly sigma: number;
  readonly low: number;
  readonly high: number;
}

/** The expected moving range of two values of a normal distribution, in standard deviations. */
const D2 = 1.128;

/**
 * The individuals chart of a series: mean, and three standard deviations estimated by the mean
 * moving range over 1.128. Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2.
 * Throws a RangeError for fewer than two values.
 */
export function individualsChart(values: readonly number[]): IndividualsChart {
  if (values.length < 2) throw new RangeError('A chart of individuals needs two values.');
  const centre = values.reduce((sum, value) => sum + value, 0) / values.length;
  let moved = 0;
  for (let i = 1; i < values.length; i++) moved += Math.abs(at(values, i) - at(values, i - 1));
  const sigma = moved / (values.length - 1) / D2;
  return { centre, sigma, low: centre - 3 * sigma, high: centre + 3 * sigma };
}

const at = (values: readonly number[], index: number): number => values[index] ?? Number.NaN;

/** One of the eight run rules that holds at the newest value. */
export interface RunRule {
  readonly rule: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;
  readonly words: string;
}

const WORDS: Record<RunRule['rule'], string> = {
  1: 'far from its usual values',
  2: 'nine in a row on one side of the mean',
  3: 'six in a row going one way',
  4: 'fourteen in a row going up and down by turns',
  5: 'two of three far out on one side',
  6: 'four of five well out on one side',
  7: 'fifteen in a row very close to the mean',
  8: 'eight in a row away from the mean on both sides',
};

/**
 * The run rules that hold at the end of a series (oldest first) for a given chart. Source:
 * L. S. Nelson, The Shewhart Control Chart: Tests for Special Causes, Journal of Quality
 * Technology 16 (1984) 237–239.
 */
export function runRules(values: readonly number[], chart: IndividualsChart): RunRule[] {
  const z = values.map((value) => (chart.sigma === 0 ? 0 : (value - chart.centre) / chart.sigma));
  const last = (count: number): number[] | null => (z.length < count ? null : z.slice(-count));
  const all = (count: number, test: (z: number) => boolean): boolean =>
    last(count)?.every(test) ?? false;
  const oneSide = (count: number, least: number, beyond: number): boolean => {
    const window = last(count);
    const newest = window?.at(-1) ?? 0;
    if (!window || Math.abs(newest) <= beyond) return false;
    return window.filter((one) => Math.sign(newest) * one > beyond).length >= least;
  };
  const steps = (count: number): number[] | null => {
    const window = values.length < count ? null : values.slice(-count);
    return window?.slice(1).map((value, i) => value - at(window, i)) ?? null;
  };
  const sixSteps = steps(6);
  const turns = steps(14);
  const away = last(8);
  const holds: Record<RunRule['rule'], boolean> = {
    1: all(1, (one) => Math.abs(one) > 3),
    2: all(9, (one) => one > 0) || all(9, (one) => one < 0),
    3: sixSteps !== null && (sixSteps.every((s) => s > 0) || sixSteps.every((s) => s < 0)),
    4: turns?.every((s, i) => s !== 0 && (i === 0 || s * at(turns, i - 1) < 0)) ?? false,
    5: oneSide(3, 2, 2),
    6: oneSide(5, 4, 1),
    7: chart.sigma > 0 && all(15, (one) => Math.abs(one) < 1),
    8:
      (away?.every((one) => Math.abs(one) > 1) ?? false) &&
      (away?.some((one) => one > 0) ?? false) &&
      (away?.some((one) => one < 0) ?? false),
  };
  return ([1, 2, 3, 4, 5, 6, 7, 8] as const)
    .filter((rule) => holds[rule])
    .map((rule) => ({ rule, words: WORDS[rule] }));
}
