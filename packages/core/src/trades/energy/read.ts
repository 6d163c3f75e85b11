import type { SheetAnswers } from '../kit.ts';

/** A number that is there and not below 0; null where there is none. */
export function numberAt(from: unknown, key: string): number | null {
  const value = wordAt(from, key);
  return typeof value === 'number' && Number.isFinite(value) && value >= 0 ? value : null;
}

export function textAt(from: unknown, key: string): string {
  const value = wordAt(from, key);
  return typeof value === 'string' ? value : '';
}

/** The row of a catalogue that was looked up; null where none was, or something else was written. */
export function rowAt(from: unknown, key: string): SheetAnswers | null {
  const value = wordAt(from, key);
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as SheetAnswers)
    : null;
}

const wordAt = (from: unknown, key: string): unknown =>
  typeof from === 'object' && from !== null && Object.hasOwn(from, key)
    ? (from as SheetAnswers)[key]
    : undefined;

/** Twelve numbers that stand in one text; null where it is not twelve. */
export function monthsAt(from: unknown, key: string): readonly number[] | null {
  const numbers = textAt(from, key).trim().split(/\s+/).map(Number);
  return numbers.length === 12 && numbers.every(Number.isFinite) ? numbers : null;
}
