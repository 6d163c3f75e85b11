import { rowsOf } from '../rows-of.ts';
import type { SheetAnswers } from '../kit.ts';
import { gainsOf } from './gains.ts';
import { FACINGS, type Climate, type Fuel, type House, type HousePart } from './dwelling.ts';
import { PART_KINDS, PARTS } from './keys/index.ts';
import { onLine, pressureLine, type PressureLine } from './pressure-line.ts';
import { monthsAt, numberAt, rowAt, textAt } from './read.ts';

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

/** The rows that are parts of the house, by their places among all rows: those of which nothing is missing. */
export const partsAt = (answers: SheetAnswers): readonly number[] =>
  rowsOf(answers[PARTS]).flatMap((row, at) => (partOf(row) ? [at] : []));

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
  const parts = rowsOf(answers[PARTS]).flatMap((row) => partOf(row) ?? []);
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
