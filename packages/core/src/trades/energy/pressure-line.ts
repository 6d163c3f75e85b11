import { lineThrough } from '../line-through.ts';

/** One reading of a fan pressurisation: Pa and m³/h, both above 0. */
export interface PressurePoint {
  readonly pressure: number;
  readonly flow: number;
}

export interface PressureLine {
  /** C, m³/(h·Paⁿ). */
  readonly coefficient: number;
  /** n: from 0.5 (holes) to 1 (cracks) where the readings are good. */
  readonly exponent: number;
}

/** Fewer say nothing about a line. */
const FEWEST = 3;

/**
 * The line through the readings on logarithms, by least squares: Q = C × Δpⁿ. Null with fewer than three, or
 * where all are at one pressure. Source: ISO 9972, annex C (from memory).
 */
export function pressureLine(points: readonly PressurePoint[]): PressureLine | null {
  const known = points.filter(({ pressure, flow }) => pressure > 0 && flow > 0);
  if (known.length < FEWEST) return null;
  const line = lineThrough(known.map(({ pressure, flow }) => [Math.log(pressure), Math.log(flow)]));
  return line && { exponent: line.slope, coefficient: Math.exp(line.offset) };
}

/** Flow in m³/h that the line has at a pressure in Pa. */
export const onLine = ({ coefficient, exponent }: PressureLine, pressure: number): number =>
  coefficient * pressure ** exponent;
