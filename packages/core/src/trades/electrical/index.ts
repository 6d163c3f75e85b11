import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';

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

const FUNCTIONS: readonly FunctionOffer[] = [
  {
    name: 'loopLimit',
    takes: ['string', 'double'],
    gives: 'double',
    usage: 'loopLimit(curve, rating)',
    about:
      'Highest earth loop impedance in Ω for a breaker of curve "B", "C" or "D" and a rating in A (BS 7671 table 41.3).',
    run: loopLimit,
  },
  {
    name: 'loopImpedance',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'loopImpedance(external, conductors)',
    about: 'Earth loop impedance in Ω: outside part plus the circuit’s own conductors.',
    run: loopImpedance,
  },
];

export const ELECTRICAL: TradeKit = {
  key: 'electrical',
  name: 'Electrical circuits',
  functions: FUNCTIONS,
};
