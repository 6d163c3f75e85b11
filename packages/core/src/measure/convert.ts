/** Units people may enter a value in, by what they measure. */
type Dimension =
  | 'temperature'
  | 'temperature difference'
  | 'pressure'
  | 'torque'
  | 'force'
  | 'length'
  | 'area'
  | 'volume'
  | 'mass'
  | 'energy'
  | 'power'
  | 'speed'
  | 'flow'
  | 'voltage'
  | 'current'
  | 'resistance'
  | 'heat transfer'
  | 'thermal resistance'
  | 'time';

interface UnitRule {
  readonly dimension: Dimension;
  /** How many of the dimension's base unit one of this is. */
  readonly factor: number;
  /** Added before the factor applies: 459.67 for degrees Fahrenheit. */
  readonly offset?: number;
  readonly system?: UnitSystem;
}

export type UnitSystem = 'SI' | 'US';

const INCH = 0.0254;
const FOOT = 0.3048;
const POUND = 0.45359237;
const GRAVITY = 9.80665;
const GALLON = 231 * INCH ** 3;
const BTU = 1055.05585262;

/**
 * Conversion by definition: the inch, the pound, standard gravity and the US gallon are exact
 * (NIST SP 811, appendix B); the Btu is that of the International Table. Keys are UCUM codes.
 */
const BY_CODE: Readonly<Record<string, UnitRule>> = {
  K: { dimension: 'temperature', factor: 1 },
  Cel: { dimension: 'temperature', factor: 1, offset: 273.15, system: 'SI' },
  '[degF]': { dimension: 'temperature', factor: 5 / 9, offset: 459.67, system: 'US' },
  // By how much a temperature differs has no zero of its own; UCUM lets an annotation say so.
  'K{difference}': { dimension: 'temperature difference', factor: 1 },
  'Cel{difference}': { dimension: 'temperature difference', factor: 1, system: 'SI' },
  '[degF]{difference}': { dimension: 'temperature difference', factor: 5 / 9, system: 'US' },
  Pa: { dimension: 'pressure', factor: 1 },
  kPa: { dimension: 'pressure', factor: 1e3, system: 'SI' },
  MPa: { dimension: 'pressure', factor: 1e6 },
  mbar: { dimension: 'pressure', factor: 100 },
  bar: { dimension: 'pressure', factor: 1e5, system: 'SI' },
  '[psi]': { dimension: 'pressure', factor: (POUND * GRAVITY) / INCH ** 2, system: 'US' },
  'N.m': { dimension: 'torque', factor: 1, system: 'SI' },
  '[ft_i].[lbf_av]': { dimension: 'torque', factor: FOOT * POUND * GRAVITY, system: 'US' },
  N: { dimension: 'force', factor: 1 },
  kN: { dimension: 'force', factor: 1e3, system: 'SI' },
  '[lbf_av]': { dimension: 'force', factor: POUND * GRAVITY, system: 'US' },
  mm: { dimension: 'length', factor: 1e-3, system: 'SI' },
  cm: { dimension: 'length', factor: 1e-2 },
  m: { dimension: 'length', factor: 1, system: 'SI' },
  km: { dimension: 'length', factor: 1e3 },
  '[in_i]': { dimension: 'length', factor: INCH, system: 'US' },
  '[ft_i]': { dimension: 'length', factor: FOOT, system: 'US' },
  m2: { dimension: 'area', factor: 1, system: 'SI' },
  '[sft_i]': { dimension: 'area', factor: FOOT ** 2, system: 'US' },
  L: { dimension: 'volume', factor: 1e-3, system: 'SI' },
  m3: { dimension: 'volume', factor: 1, system: 'SI' },
  '[gal_us]': { dimension: 'volume', factor: GALLON, system: 'US' },
  '[cft_i]': { dimension: 'volume', factor: FOOT ** 3, system: 'US' },
  g: { dimension: 'mass', factor: 1e-3 },
  kg: { dimension: 'mass', factor: 1, system: 'SI' },
  '[lb_av]': { dimension: 'mass', factor: POUND, system: 'US' },
  J: { dimension: 'energy', factor: 1 },
  MJ: { dimension: 'energy', factor: 1e6 },
  'kW.h': { dimension: 'energy', factor: 3.6e6, system: 'SI' },
  '[Btu_IT]': { dimension: 'energy', factor: BTU, system: 'US' },
  W: { dimension: 'power', factor: 1 },
  kW: { dimension: 'power', factor: 1e3, system: 'SI' },
  '[Btu_IT]/h': { dimension: 'power', factor: BTU / 3600, system: 'US' },
  'mm/s': { dimension: 'speed', factor: 1e-3, system: 'SI' },
  'm/s': { dimension: 'speed', factor: 1, system: 'SI' },
  '[in_i]/s': { dimension: 'speed', factor: INCH, system: 'US' },
  '[ft_i]/min': { dimension: 'speed', factor: FOOT / 60, system: 'US' },
  'L/s': { dimension: 'flow', factor: 1e-3, system: 'SI' },
  'L/min': { dimension: 'flow', factor: 1e-3 / 60, system: 'SI' },
  'm3/h': { dimension: 'flow', factor: 1 / 3600, system: 'SI' },
  '[gal_us]/min': { dimension: 'flow', factor: GALLON / 60, system: 'US' },
  '[cft_i]/min': { dimension: 'flow', factor: FOOT ** 3 / 60, system: 'US' },
  'W/(m2.K)': { dimension: 'heat transfer', factor: 1, system: 'SI' },
  // A difference of 1 °F is one of 1 °R, which has no zero of its own.
  '[Btu_IT]/(h.[sft_i].[degR])': {
    ...{ dimension: 'heat transfer', system: 'US' },
    factor: BTU / 3600 / FOOT ** 2 / (5 / 9),
  },
  'm2.K/W': { dimension: 'thermal resistance', factor: 1, system: 'SI' },
  'h.[sft_i].[degR]/[Btu_IT]': {
    ...{ dimension: 'thermal resistance', system: 'US' },
    factor: (3600 * FOOT ** 2 * (5 / 9)) / BTU,
  },
  mV: { dimension: 'voltage', factor: 1e-3 },
  V: { dimension: 'voltage', factor: 1 },
  kV: { dimension: 'voltage', factor: 1e3 },
  mA: { dimension: 'current', factor: 1e-3 },
  A: { dimension: 'current', factor: 1 },
  Ohm: { dimension: 'resistance', factor: 1 },
  kOhm: { dimension: 'resistance', factor: 1e3 },
  MOhm: { dimension: 'resistance', factor: 1e6 },
  s: { dimension: 'time', factor: 1 },
  min: { dimension: 'time', factor: 60 },
  h: { dimension: 'time', factor: 3600 },
};

/** Codes come from templates: only those that stand here may be found. */
const RULES: ReadonlyMap<string, UnitRule> = new Map(Object.entries(BY_CODE));

/** The UCUM codes that can be converted. */
export const CONVERTIBLE_UNITS: readonly string[] = [...RULES.keys()];

/** Whether a value can be taken from one unit to the other. A unit always converts to itself. */
export const canConvert = (from: string, to: string): boolean =>
  from === to || (RULES.has(from) && RULES.get(from)?.dimension === RULES.get(to)?.dimension);

/** Units that measure the same as this one, itself left out. */
export const unitsLike = (unit: string): string[] =>
  CONVERTIBLE_UNITS.filter((other) => other !== unit && canConvert(unit, other));

/** The system of units a unit is at home in; null for one that is used in both. */
export const systemOf = (unit: string): UnitSystem | null => RULES.get(unit)?.system ?? null;

/** A double near 500 holds about twelve decimals. */
const OFFSET_DECIMALS = 10;

/**
 * Takes a value from one UCUM unit to another. Throws a RangeError when they do not measure the
 * same thing.
 */
export function convert(value: number, from: string, to: string): number {
  if (from === to) return value;
  const source = RULES.get(from);
  const target = RULES.get(to);
  if (!source || source.dimension !== target?.dimension)
    throw new RangeError(`A value in ${from} can't be given in ${to}.`);
  const shifted =
    source.offset === undefined ? value : Number((value + source.offset).toFixed(OFFSET_DECIMALS));
  const base = shifted * source.factor;
  if (target.offset === undefined) return base / target.factor;
  // Taking off what is large leaves its rounding behind: 32 °F must be 0 °C and nothing above it.
  return Number((base / target.factor - target.offset).toFixed(OFFSET_DECIMALS)) + 0;
}

/**
 * A computed value without the digits that only binary arithmetic put there, so that 1.1 + 2.2 lies
 * on a limit of 3.3 and not above it. Whole numbers stay as they are; others keep 14 digits, one
 * fewer than a double holds whole.
 */
export const tidy = (value: number): number =>
  Number.isInteger(value) ? value : Number(value.toPrecision(14));

/** Of the units a question may be entered in, the one a person of this system expects. */
export function unitFor(units: readonly string[], system: UnitSystem): string | undefined {
  const [own] = units;
  if (own === undefined || systemOf(own) === system || systemOf(own) === null) return own;
  return units.find((unit) => systemOf(unit) === system) ?? own;
}
