import type { Climate, HousePart } from './dwelling.ts';

/** Days of each month, January first; a fourth of the leap years’ day is February’s. */
export const DAYS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
/** W/m² that people, lights and cooking give (ISO 13790, dwellings; from memory). */
const GIVEN_BY_PEOPLE = 5;
/** Of the sun on a window: what glass lets through at a slant, what is no frame, glass of two panes (from memory). */
const THROUGH_WINDOW = 0.9 * 0.7 * 0.65;

/** What sun and people give in each month, kWh, January first. Nothing that is done to a house changes it. */
export const gainsOf = (
  parts: readonly HousePart[],
  floor: number,
  { sun }: Climate,
): readonly number[] =>
  DAYS.map((days, month) => {
    const people = (GIVEN_BY_PEOPLE * floor * days * 24) / 1000;
    return parts.reduce(
      (sum, { kind, area, faces }) =>
        kind === 'window' && faces && sun
          ? sum + area * THROUGH_WINDOW * (sun[faces][month] ?? 0)
          : sum,
      people,
    );
  });
