import { rowsOf } from '../rows-of.ts';
import type { SheetAnswers } from '../kit.ts';
import { gainsOf } from './gains.ts';
import { PART_KINDS, type PartKind } from './keys/index.ts';
import { onLine, pressureLine, type PressureLine } from './pressure-line.ts';
import { monthsAt, numberAt, rowAt, textAt } from './read.ts';

/** A part of the shell: wall, window, roof. */
export interface HousePart {
  readonly kind: PartKind;
  /** m². */
  readonly area: number;
  /** W/(m²·K). */
  readonly u: number;
  /** Share of the difference in temperature that lies across it: 1 to the outside, less to ground or attic. */
  readonly share: number;
  readonly faces: Facing | null;
}

export const FACINGS = ['south', 'side', 'north'] as const;
/** Where a window looks; east and west get as much. */
export type Facing = (typeof FACINGS)[number];

/** What is burnt or drawn, per kWh. */
export interface Fuel {
  readonly name: string;
  /** Money per kWh. */
  readonly price: number;
  /** kg of CO₂ per kWh. */
  readonly emission: number;
}

/** What makes warmth, and how much of the fuel’s energy arrives (above 0; a heat pump has more than 1). */
export interface Maker {
  readonly fuel: Fuel;
  readonly efficiency: number;
}

/** A year outside. */
export interface Climate {
  /** K·d, to the temperature they are made for. */
  readonly degreeDays: number;
  /** Means in °C, January first. */
  readonly temperatures: readonly number[] | null;
  /** kWh/m² on a standing surface in each month. */
  readonly sun: Readonly<Record<Facing, readonly number[]>> | null;
}

/** How heat is counted up: month by month with what sun and people give, or by degree days alone. */
export type Method = 'months' | 'degree days';

export interface House {
  readonly parts: readonly HousePart[];
  /** m². */
  readonly floor: number;
  /** m³. */
  readonly volume: number;
  readonly bedrooms: number;
  /** Flow at 50 Pa in m³/h; null while it was not measured. */
  readonly flow50: number | null;
  readonly climate: Climate;
  readonly method: Method;
  /** What sun and people give in each month, kWh, January first. */
  readonly gains: readonly number[];
  readonly heating: Maker;
  /** How much of the warmth that is made arrives in the rooms, above 0 and at most 1. */
  readonly arrives: number;
  /** Warm water: kWh of heat a year. */
  readonly water: (Maker & { readonly need: number }) | null;
  /** Lights and appliances: kWh a year. */
  readonly base: { readonly fuel: Fuel; readonly need: number } | null;
}

/** What of the difference is across a part, by what lies behind it. Common practice, no source. */
const SHARES: ReadonlyMap<string, number> = new Map([
  ['outside', 1],
  ['ground', 0.5],
  ['unheated', 0.7],
  ['heated', 0],
]);

/** Most that may arrive of a fuel’s energy: a very good heat pump. */
const BEST_EFFICIENCY = 8;

/** The line through the points of a test before the work, or after it. */
export const lineAt = (answers: SheetAnswers, key: string): PressureLine | null =>
  pressureLine(
    rowsOf(answers[key]).map((row) => ({
      pressure: numberAt(row, key === AFTER ? 'pressure_after' : 'pressure') ?? 0,
      flow: numberAt(row, key === AFTER ? 'flow_after' : 'flow') ?? 0,
    })),
  );
export const BEFORE = 'pressure_points';
export const AFTER = 'points_after';

/** One part of the shell from its row; null while something of it is missing or can’t be. */
export function partOf(row: unknown): HousePart | null {
  const kind = PART_KINDS.find((each) => each === textAt(row, 'part_kind'));
  const area = numberAt(row, 'area');
  const u = numberAt(row, 'u_now');
  if (!kind || !area || !u) return null;
  return {
    ...{ kind, area, u },
    share: SHARES.get(textAt(row, 'borders') || 'outside') ?? 1,
    faces: FACINGS.find((each) => each === textAt(row, 'faces')) ?? null,
  };
}

const fuelOf = (row: SheetAnswers | null): Fuel | null =>
  row && {
    name: textAt(row, 'label'),
    price: numberAt(row, 'price') ?? 0,
    emission: numberAt(row, 'emission') ?? 0,
  };

/** How much arrives, from percent; null for what can’t be. */
function efficiencyAt(answers: SheetAnswers, key: string): number | null {
  const percent = numberAt(answers, key);
  return percent !== null && percent > 0 && percent <= BEST_EFFICIENCY * 100 ? percent / 100 : null;
}

function climateOf(station: SheetAnswers): Climate | null {
  const degreeDays = numberAt(station, 'degree_days');
  const [south, side, north] = FACINGS.map((facing) => monthsAt(station, `sun_${facing}`));
  return degreeDays === null
    ? null
    : {
        degreeDays,
        temperatures: monthsAt(station, 'temperatures'),
        sun: south && side && north ? { south, side, north } : null,
      };
}

/** The house as it stood before anything was done to it; null while what it takes is not known. */
export function houseOf(answers: SheetAnswers): House | null {
  const floor = numberAt(answers, 'floor_area');
  const height = numberAt(answers, 'room_height');
  const station = rowAt(answers, 'station');
  const climate = station && climateOf(station);
  const fuel = fuelOf(rowAt(answers, 'heat_fuel'));
  const made = efficiencyAt(answers, 'heat_efficiency');
  if (!floor || !height || !climate || !fuel || made === null) return null;
  const line = lineAt(answers, BEFORE);
  const waterFuel = fuelOf(rowAt(answers, 'water_fuel'));
  const waterMade = efficiencyAt(answers, 'water_efficiency');
  const waterNeed = numberAt(answers, 'water_need');
  const baseFuel = fuelOf(rowAt(answers, 'base_fuel'));
  const baseNeed = numberAt(answers, 'base_load');
  const parts = rowsOf(answers.parts).flatMap((row) => partOf(row) ?? []);
  return {
    ...{ parts, gains: gainsOf(parts, floor, climate) },
    ...{ floor, volume: floor * height, bedrooms: numberAt(answers, 'bedrooms') ?? 1, climate },
    flow50: line && onLine(line, 50),
    method:
      textAt(rowAt(answers, 'grant'), 'method') === 'degree days' ||
      !climate.temperatures ||
      !climate.sun
        ? 'degree days'
        : 'months',
    heating: { fuel, efficiency: made },
    arrives: Math.min(1, efficiencyAt(answers, 'arrives') ?? 1),
    water:
      waterFuel && waterMade !== null && waterNeed !== null
        ? { fuel: waterFuel, efficiency: waterMade, need: waterNeed }
        : null,
    base: baseFuel && baseNeed !== null ? { fuel: baseFuel, need: baseNeed } : null,
  };
}
