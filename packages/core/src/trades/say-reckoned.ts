import { writeNumber, writeUnit } from '../measure/index.ts';
import type { ResultOffer } from './kit.ts';

/** A result of a reckoning in words: "1.2 kW", "yes", or that it can’t be told yet. */
export function sayReckoned(
  { unit }: ResultOffer,
  value: number | string | boolean | null,
  missing = 'not to be told yet',
): string {
  if (value === null) return missing;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  const written = writeNumber(Number(value.toPrecision(4)));
  return unit === undefined ? written : `${written} ${writeUnit(unit)}`;
}
