/** What is unusual about the newest readings of a series. */
export interface Unusual {
  /** One reading far off, or several that lie together away from those before. */
  readonly kind: 'jump' | 'shift';
  readonly direction: 'higher' | 'lower';
  /** How many of the newest readings it is about. */
  readonly readings: number;
  readonly words: string;
}

/**
 * How many of the newest readings are held against those before, and how seldom a steady series may
 * show such a difference by chance. Together they make fewer than one false hint in 200 readings: who
 * is warned for nothing stops looking. Chosen by simulation; the benchmark prints what they give.
 */
const LOOKS: readonly { readonly readings: number; readonly chance: number }[] = [
  { readings: 1, chance: 0.0005 },
  { readings: 3, chance: 0.0012 },
  { readings: 4, chance: 0.003 },
];

/** Fewer readings than this tell nothing of how much a series varies (our own choice, no source). */
export const LEAST_BEFORE = 5;

/**
 * What is unusual about the end of a series (oldest first), judged by the readings before it with
 * Student's t, so that few readings count for as little as they tell; null when nothing is. A reading
 * is no finer than its instrument: a series is taken to vary by at least half a step of `resolution`,
 * in the unit of the values; where left out, the finest decimals among the values are taken for it.
 */
export function unusualAtEnd(
  values: readonly number[],
  resolution = finestStep(values),
): Unusual | null {
  for (const { readings, chance } of LOOKS) {
    const before = values.slice(0, -readings);
    if (before.length < LEAST_BEFORE) continue;
    const newest = values.slice(-readings);
    const centre = mean(before);
    const squares = before.reduce((sum, value) => sum + (value - centre) ** 2, 0);
    const freedom = before.length - 1;
    const spread = Math.max(Math.sqrt(squares / freedom), resolution / 2);
    const off = mean(newest) - centre;
    const t = Math.abs(off) / (spread * Math.sqrt(1 / readings + 1 / before.length));
    if (spread > 0 && chanceBeyond(t, freedom) < chance)
      return said(off > 0 ? 'higher' : 'lower', readings);
  }
  return null;
}

const said = (direction: Unusual['direction'], readings: number): Unusual =>
  readings === 1
    ? { kind: 'jump', direction, readings, words: 'far from its usual values' }
    : {
        kind: 'shift',
        direction,
        readings,
        words: `${direction} at the last ${readings} visits than before`,
      };

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

const MOST_DECIMALS = 6;

function finestStep(values: readonly number[]): number {
  const decimals = values.map((value) => {
    const [, after = ''] = String(value).split('.');
    return after.includes('e') ? MOST_DECIMALS : after.length;
  });
  return 10 ** -Math.min(MOST_DECIMALS, Math.max(0, ...decimals));
}

/**
 * The chance that |t| is beyond a value, for Student's t with so many degrees of freedom (1 or more).
 * Source: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4 (formulas from
 * memory; checked against published critical values).
 */
export function chanceBeyond(t: number, freedom: number): number {
  const angle = Math.atan(Math.abs(t) / Math.sqrt(freedom));
  const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
  const odd = freedom % 2 === 1;
  let term = odd ? cosine : 1;
  let sum = freedom === 1 ? 0 : term;
  for (let k = odd ? 3 : 2; k <= freedom - 2; k += 2) {
    term *= ((k - 1) / k) * cosine ** 2;
    sum += term;
  }
  const within = odd ? (2 / Math.PI) * (angle + sine * sum) : sine * sum;
  return Math.max(0, 1 - within);
}
