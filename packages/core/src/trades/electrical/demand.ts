/** What a circuit is for, as far as its share of the demand depends on it. */
export const USES = [
  'lighting',
  'sockets',
  'cooking',
  'heating',
  'water',
  'motor',
  'other',
] as const;
export type Use = (typeof USES)[number];

/** What demand is reckoned from: what a circuit is for, and its load in A, else its device's rating. */
export interface LoadedCircuit {
  readonly use: Use;
  readonly amps: number;
}

/** Of the largest load this share counts, of all others together that. */
type Shares = readonly [largest: number, others: number];

/** One household. Source: IET On-Site Guide, table A2 (shares from memory). */
const SHARES: Readonly<Record<Exclude<Use, 'cooking' | 'heating'>, Shares>> = {
  lighting: [0.66, 0.66],
  sockets: [1, 0.4],
  water: [1, 1],
  motor: [1, 0.5],
  other: [1, 1],
};

/** Of heating and cooking the first 10 A count whole, of the rest this share. */
const FIRST_AMPS = 10;
const OF_REST = { cooking: 0.3, heating: 0.5 } as const;

/**
 * The current in A that a board’s circuits can be expected to take at most, not all of them at once:
 * never more than their sum. Loads are 0 A or more. Source: IET On-Site Guide, table A2, one household
 * (shares from memory). Throws a RangeError for a load below 0.
 */
export function maximumDemand(circuits: readonly LoadedCircuit[]): number {
  if (circuits.some(({ amps }) => !(amps >= 0)))
    throw new RangeError('A circuit takes 0 A or more.');
  return USES.reduce((sum, use) => sum + demandOf(use, loadsOf(circuits, use)), 0);
}

const loadsOf = (circuits: readonly LoadedCircuit[], use: Use): number[] =>
  circuits.filter((circuit) => circuit.use === use).map(({ amps }) => amps);

function demandOf(use: Use, loads: readonly number[]): number {
  const sum = loads.reduce((total, amps) => total + amps, 0);
  if (use === 'cooking' || use === 'heating') {
    const first = Math.min(sum, FIRST_AMPS);
    return first + (sum - first) * OF_REST[use];
  }
  const [largest, others] = SHARES[use];
  const most = Math.max(0, ...loads);
  return most * largest + (sum - most) * others;
}

/** A use as it is answered; what is none counts whole. */
export const useOf = (said: unknown): Use => USES.find((use) => use === said) ?? 'other';
