import { gainUse } from './envelope.ts';
import { DAYS } from './gains.ts';
import type { House, HousePart } from './dwelling.ts';

/** Heat that air takes along, Wh/(m³·K) (ISO 13790, 1,200 J; from memory). */
const AIR_HEAT = 0.33;
/** Flow at 50 Pa over that by itself through a year (rule of Kronvall and Persily; from memory). */
export const AT_50_TO_NATURAL = 20;
/** °C kept inside (ISO 13790, dwellings; from memory). */
const INSIDE = 20;
/** Wh/(m²·K) that a house of middle weight keeps (ISO 13790, table 12: 165,000 J; from memory). */
const KEPT = 165_000 / 3_600;

/** W/K that a part lets through. */
export const partLoss = ({ area, u, share }: HousePart): number => area * u * share;

/** W/K that go with air through gaps. */
export const airLoss = ({ flow50 }: House): number => (AIR_HEAT * (flow50 ?? 0)) / AT_50_TO_NATURAL;

/** W/K of the whole house. */
export const wholeLoss = (house: House): number =>
  house.parts.reduce((sum, part) => sum + partLoss(part), airLoss(house));

/** Heat a year in kWh for each W/K, before what sun and people give. */
export function yearOf({ climate, method }: House): number {
  if (method === 'degree days' || !climate.temperatures) return (climate.degreeDays * 24) / 1000;
  return climate.temperatures.reduce((sum, outside, month) => sum + monthOf(outside, month), 0);
}

const monthOf = (outside: number, month: number): number =>
  (Math.max(0, INSIDE - outside) * (DAYS[month] ?? 30) * 24) / 1000;

/**
 * Heat in kWh a year that is to be made for a house that loses so many W/K: month by month, losses less the
 * useful share of what sun and people give (ISO 13790, monthly method); or by degree days, in whose base
 * temperature those are counted already. It never falls where the losses grow.
 */
export function heatNeed(house: House, loss: number): number {
  const { climate, method, floor, gains } = house;
  if (method === 'degree days' || !climate.temperatures || loss <= 0) return loss * yearOf(house);
  const hours = (KEPT * floor) / loss;
  return climate.temperatures.reduce((sum, outside, month) => {
    const lost = loss * monthOf(outside, month);
    if (lost <= 0) return sum;
    const given = gains[month] ?? 0;
    return sum + Math.max(0, lost - gainUse(given / lost, hours) * given);
  }, 0);
}

/** kWh a year by the names of what is burnt or drawn, with what a kWh costs and gives off. */
export interface Use {
  readonly heat: number;
  readonly water: number;
  readonly base: number;
  readonly total: number;
  readonly byFuel: ReadonlyMap<string, number>;
  /** Money a year, kg of CO₂ a year. */
  readonly money: number;
  readonly emissions: number;
}

/** What a house uses in a year. */
export function useOf(house: House, loss: number = wholeLoss(house)): Use {
  const { heating, arrives, water, base } = house;
  const heat = heatNeed(house, loss) / (heating.efficiency * arrives);
  const forWater = water ? water.need / water.efficiency : 0;
  const forBase = base?.need ?? 0;
  const byFuel = new Map<string, number>();
  let money = 0;
  let emissions = 0;
  for (const [fuel, much] of [
    [heating.fuel, heat],
    [water?.fuel, forWater],
    [base?.fuel, forBase],
  ] as const) {
    if (!fuel || much === 0) continue;
    byFuel.set(fuel.name, (byFuel.get(fuel.name) ?? 0) + much);
    money += much * fuel.price;
    emissions += much * fuel.emission;
  }
  return {
    ...{ heat, water: forWater, base: forBase, total: heat + forWater + forBase },
    ...{ byFuel, money, emissions },
  };
}
