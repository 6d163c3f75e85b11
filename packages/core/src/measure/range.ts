import { convert } from './convert.ts';

/** What a reading is expected to be; either end may be open. Both ends belong to the range. */
export interface ExpectedRange {
  readonly low?: number;
  readonly high?: number;
}

export type RangeVerdict = 'within' | 'below' | 'above';

/** Compares a reading with its expected range, in the same unit. The ends themselves are within. */
export function judgeRange(value: number, range: ExpectedRange): RangeVerdict {
  if (range.low !== undefined && value < range.low) return 'below';
  if (range.high !== undefined && value > range.high) return 'above';
  return 'within';
}

/** Says a range as a person would: "20 to 65 °C", "at least 1 MΩ", "up to 4.5 mm/s". */
export function sayRange(range: ExpectedRange, unit = ''): string {
  const tail = unit ? ` ${unit}` : '';
  if (range.low !== undefined && range.high !== undefined)
    return `${range.low} to ${range.high}${tail}`;
  if (range.low !== undefined) return `at least ${range.low}${tail}`;
  if (range.high !== undefined) return `up to ${range.high}${tail}`;
  return `any${tail}`;
}

/** The same range in another unit, with no more digits than people write. */
export function rangeIn(range: ExpectedRange, from: string, to: string): ExpectedRange {
  if (from === to) return range;
  const end = (value: number): number => Number(convert(value, from, to).toPrecision(4));
  return {
    ...(range.low === undefined ? {} : { low: end(range.low) }),
    ...(range.high === undefined ? {} : { high: end(range.high) }),
  };
}
