import { lineThrough } from '../line-through.ts';

/** One measurement of a battery's capacity, Ah, at a moment in ms. */
export interface BatteryReading {
  readonly at: number;
  readonly value: number;
}

/** Fewer say nothing about a pace. */
const FEWEST = 3;
/** What must be left of a battery, of 1. Common practice, no source. */
export const LEAST_LEFT = 0.8;
/** Much later than any battery lives: its line says nothing any more. */
const TOO_FAR_MS = 15 * 365 * 86_400_000;

/**
 * When a battery falls below four fifths of its rated capacity (Ah, above 0) if it goes on as before: a moment in ms,
 * by the straight line through its measurements. Null with fewer than three measurements, where it does not lose, or
 * where that is more than 15 years after the last. Never before the last measurement, as long as that was above.
 */
export function batteryFails(readings: readonly BatteryReading[], rated: number): number | null {
  const last = readings.reduce((latest, { at }) => Math.max(latest, at), Number.NEGATIVE_INFINITY);
  if (readings.length < FEWEST || !(rated > 0)) return null;
  // Counted from the last, so that nothing is lost among thirteen digits.
  const line = lineThrough(readings.map(({ at, value }) => [at - last, value]));
  if (!line || !(line.slope < 0)) return null;
  const after = Math.max(0, (rated * LEAST_LEFT - line.offset) / line.slope);
  return after <= TOO_FAR_MS ? last + after : null;
}
