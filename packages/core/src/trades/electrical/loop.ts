/** Instantaneous tripping of a circuit breaker, in multiples of its rating, by its curve. */
const MULTIPLE: ReadonlyMap<string, number> = new Map([
  ['B', 5],
  ['C', 10],
  ['D', 20],
]);
const VOLTS_TO_EARTH = 230;
/** The supply may sag this far while it must still trip. */
const SAG = 0.95;

/**
 * The highest earth loop impedance in Ω with which a circuit breaker still trips at once. Curve B,
 * C or D; rating in A, above 0. Source: BS 7671 table 41.3, 230 V × 0.95 / (k × rating) with k = 5,
 * 10, 20 (formula recalled from memory; it reproduces the table's values). Throws a RangeError for
 * another curve or rating.
 */
export function loopLimit(curve: string, rating: number): number {
  const multiple = MULTIPLE.get(curve.toUpperCase());
  if (multiple === undefined || !(rating > 0))
    throw new RangeError('A circuit breaker has curve B, C or D and a rating above 0 A.');
  return Math.round(((VOLTS_TO_EARTH * SAG) / (multiple * rating)) * 100) / 100;
}

/** Earth loop impedance of a circuit, Ω: Zs = Ze + (R1 + R2). */
export const loopImpedance = (external: number, conductors: number): number =>
  external + conductors;

/**
 * The current in A that flows when a conductor touches earth: volts (0 or more) by the loop’s impedance
 * in Ω (above 0). A breaker must be able to break that much. Ohm’s law. Throws a RangeError for what no
 * loop has.
 */
export function faultCurrent(volts: number, loop: number): number {
  if (!(volts >= 0) || !(loop > 0))
    throw new RangeError('A loop has a voltage of 0 V or more and an impedance above 0 Ω.');
  return volts / loop;
}

/**
 * The longest time in s in which a residual current device of 30 mA, not delayed, may trip, by the
 * multiple of its rated current it is tested with: none below once, 0.3 at once, 0.04 from five times
 * on. Source: IEC 61008-1 (values from memory). Infinity where it need not trip.
 */
export function tripLimit(multiple: number): number {
  if (multiple >= 5) return 0.04;
  return multiple >= 1 ? 0.3 : Infinity;
}

/**
 * What a tester reads across the two loops of a ring, joined crosswise, at every point: a quarter of
 * the end-to-end resistances of both conductors together, Ω. Source: IET Guidance Note 3, common
 * practice (formula from memory). Throws a RangeError below 0.
 */
export function ringCross(line: number, earth: number): number {
  if (!(line >= 0) || !(earth >= 0)) throw new RangeError('No resistance is below 0 Ω.');
  return (line + earth) / 4;
}

/** Fuses gG by rating in A: the highest loop in Ω that melts them within 0.4 s and 5 s. */
const FUSES: ReadonlyMap<number, readonly [fast: number | null, slow: number]> = new Map([
  [6, [7.8, 12.8]],
  [10, [4.65, 6.8]],
  [16, [2.43, 4]],
  [20, [1.68, 2.8]],
  [25, [1.29, 2.2]],
  [32, [0.99, 1.7]],
  [40, [null, 1.3]],
  [50, [null, 0.99]],
  [63, [null, 0.78]],
  [80, [null, 0.55]],
  [100, [null, 0.42]],
]);

/**
 * The highest earth loop impedance in Ω with which a device of a curve ("B", "C", "D", or "gG" for a
 * fuse) and a rating in A disconnects within so many seconds (0.4, or 5 for what feeds a board). A
 * breaker trips at once or not in time, so that its limit is the same for both. Source: BS 7671 tables
 * 41.2, 41.3 and 41.4 (fuses of BS 88-2, values from memory). Throws a RangeError for what is not there.
 */
export function deviceLimit(curve: string, rating: number, seconds: number): number {
  if (curve !== 'gG') return loopLimit(curve, rating);
  if (!(seconds > 0)) throw new RangeError('A circuit is disconnected after more than 0 s.');
  const fuse = FUSES.get(rating);
  const limit = fuse?.[seconds < 5 ? 0 : 1] ?? null;
  if (limit === null)
    throw new RangeError(
      `No fuse of ${rating} A is known that disconnects within ${seconds} s: 6 to 32 A do within 0.4 s, up to 100 A within 5 s.`,
    );
  return limit;
}

/**
 * The highest earth loop impedance in Ω where a residual current device of so many mA (above 0)
 * disconnects: no more than 50 V may stand on what is touched. Source: BS 7671, 411.5.3 (formula from
 * memory). Throws a RangeError below.
 */
export function residualLimit(milliamps: number): number {
  if (!(milliamps > 0)) throw new RangeError('A residual current device has more than 0 mA.');
  return 50_000 / milliamps;
}
