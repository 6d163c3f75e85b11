import type { PartKind } from './keys/index.ts';

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
