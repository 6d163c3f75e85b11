/**
 * Copper cable by the cross-section of a conductor in mm²: resistance of one conductor at 20 °C in
 * mΩ/m (IEC 60228, class 1 and 2), and for flat twin and earth, thermoplastic, clipped direct, the
 * current it may carry in A and its voltage drop in mV per A and m (BS 7671 table 4D5). Values from
 * memory.
 */
const CABLES: ReadonlyMap<number, { mOhm: number; amps: number; drop: number }> = new Map([
  [1, { mOhm: 18.1, amps: 16, drop: 44 }],
  [1.5, { mOhm: 12.1, amps: 20, drop: 29 }],
  [2.5, { mOhm: 7.41, amps: 27, drop: 18 }],
  [4, { mOhm: 4.61, amps: 37, drop: 11 }],
  [6, { mOhm: 3.08, amps: 47, drop: 7.3 }],
  [10, { mOhm: 1.83, amps: 64, drop: 4.4 }],
  [16, { mOhm: 1.15, amps: 85, drop: 2.8 }],
]);

function cableOf(size: number): {
  readonly mOhm: number;
  readonly amps: number;
  readonly drop: number;
} {
  const cable = CABLES.get(size);
  if (!cable)
    throw new RangeError(`A conductor has ${[...CABLES.keys()].join(', ')} mm², not ${size}.`);
  return cable;
}

function mustBeLength(metres: number): void {
  if (!(metres >= 0)) throw new RangeError('A cable is 0 m long or more.');
}

/**
 * R1 + R2 in Ω as they are to be expected of a cable at 20 °C: its length in m (0 or more), line and
 * earth conductor in mm². Source: IEC 60228. Throws a RangeError for a size that is not made.
 */
export function conductorResistance(metres: number, line: number, earth: number): number {
  mustBeLength(metres);
  return (metres * (cableOf(line).mOhm + cableOf(earth).mOhm)) / 1000;
}

/**
 * The current in A a flat twin and earth cable may carry, clipped direct, with no other beside it, at
 * 30 °C. Source: BS 7671 table 4D5. Throws a RangeError for a size that is not made.
 */
export const cableCapacity = (size: number): number => cableOf(size).amps;

/**
 * What the same cable may carry in A where it is laid otherwise, by size in mm²: over a ceiling of
 * plasterboard under thin (100) or thick (101) insulation, in an insulated wall touching its face (102)
 * or not (103), in conduit in an insulated wall (A). Source: BS 7671 table 4D5 (values from memory).
 */
const LAID: Readonly<Record<string, readonly number[]>> = {
  '100': [13, 16, 21, 27, 34, 45, 57],
  '101': [10.5, 13, 17, 22, 27, 36, 46],
  '102': [13, 16, 21, 27, 35, 47, 63],
  '103': [8, 10, 13.5, 17.5, 23.5, 32, 42.5],
  A: [11.5, 14.5, 20, 26, 32, 44, 57],
};

/**
 * The current in A a flat twin and earth cable of a size in mm² may carry as it is laid: reference
 * method "A", "C" (clipped direct), "100", "101", "102" or "103". Source: BS 7671 table 4D5. Throws a
 * RangeError for a size that is not made or another method.
 */
export function laidCapacity(size: number, method: string): number {
  const { amps } = cableOf(size);
  if (method === 'C') return amps;
  const row = Object.hasOwn(LAID, method) ? LAID[method] : undefined;
  const found = row?.[[...CABLES.keys()].indexOf(size)];
  if (found === undefined)
    throw new RangeError('A flat cable is laid by method A, C, 100, 101, 102 or 103.');
  return found;
}

/**
 * Volts lost along a cable: its size in mm², the current in A and its length in m (both 0 or more).
 * Source: BS 7671 table 4D5. Throws a RangeError otherwise.
 */
export function voltageDrop(size: number, amps: number, metres: number): number {
  mustBeLength(metres);
  if (!(amps >= 0)) throw new RangeError('A current is 0 A or more.');
  return (cableOf(size).drop * amps * metres) / 1000;
}

/** By how many circuits lie side by side in one layer, clipped direct (BS 7671 table 4C1, from memory). */
const GROUPED = [1, 0.85, 0.79, 0.75, 0.73, 0.72, 0.72, 0.71, 0.7];

/**
 * How much of its capacity a cable keeps where so many circuits (1 or more) lie side by side. Source:
 * BS 7671 table 4C1, single layer clipped to a wall, touching (values from memory). Throws a RangeError
 * below 1.
 */
export function groupingFactor(circuits: number): number {
  if (!(circuits >= 1)) throw new RangeError('At least one circuit lies there.');
  return GROUPED[Math.min(GROUPED.length, Math.ceil(circuits)) - 1] ?? 0.7;
}

/** By ambient temperature up to °C (BS 7671 table 4B1, 70 °C thermoplastic, from memory). */
const WARM: readonly (readonly [upTo: number, factor: number])[] = [
  [25, 1.03],
  [30, 1],
  [35, 0.94],
  [40, 0.87],
  [45, 0.79],
  [50, 0.71],
  [55, 0.61],
  [60, 0.5],
];

/**
 * How much of its capacity a thermoplastic cable keeps at an ambient temperature in °C, at most 60; between
 * two lines of the table, the warmer one counts. Source: BS 7671 table 4B1. Throws a RangeError above.
 */
export function ambientFactor(celsius: number): number {
  const line = WARM.find(([upTo]) => celsius <= upTo);
  if (!line) throw new RangeError('Above 60 °C this cable may not be used.');
  return line[1];
}
