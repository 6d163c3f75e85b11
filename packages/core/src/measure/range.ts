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
