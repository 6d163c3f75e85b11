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

/**
 * Compares with a range what a meter only showed to lie beyond an end of its scale. It is within only
 * where every value beyond is; `sure` tells whether none is.
 */
export function judgeOffScale(
  limit: number,
  off: 'above' | 'below',
  { low, high }: ExpectedRange,
): { readonly verdict: RangeVerdict; readonly sure: boolean } {
  if (off === 'above') {
    if (high !== undefined) return { verdict: 'above', sure: limit >= high };
    return { verdict: low !== undefined && limit < low ? 'below' : 'within', sure: false };
  }
  if (low !== undefined) return { verdict: 'below', sure: limit <= low };
  return { verdict: high !== undefined && limit > high ? 'above' : 'within', sure: false };
}

/** As many digits as people write of a limit. */
const DIGITS_WRITTEN = 4;
/** Beyond these only the range as it is will do: it is narrower than anybody could write. */
const MOST_DIGITS = 12;

/**
 * An end of a range with no more digits than people write, rounded inwards: whoever keeps to what is
 * written keeps to what is meant. The whole part is never rounded.
 */
function inwards(value: number, end: 'low' | 'high', digits: number): number {
  const whole = Math.floor(Math.log10(Math.max(Math.abs(value), 1e-12))) + 1;
  const decimals = Math.max(0, digits - whole);
  const scaled = shift(value, decimals);
  const rounded = Math.round(scaled);
  // What only binary arithmetic put there is no reason to go a step further in.
  const isThere = Math.abs(scaled - rounded) <= 2e-15 * Math.max(1e4, Math.abs(scaled));
  const kept = isThere ? rounded : end === 'low' ? Math.ceil(scaled) : Math.floor(scaled);
  return shift(kept, -decimals) + 0;
}

/** A number with its decimal point moved, without the digits that a multiplication would add. */
function shift(value: number, places: number): number {
  const [digits = '', exponent = '0'] = String(value).split('e');
  return Number(`${digits}e${Number(exponent) + places}`);
}

/** A range as it is written: its ends inwards, further out again where they would cross. */
function asWritten({ low, high }: ExpectedRange): ExpectedRange {
  for (let digits = DIGITS_WRITTEN; digits <= MOST_DIGITS; digits++) {
    const from = low === undefined ? undefined : inwards(low, 'low', digits);
    const to = high === undefined ? undefined : inwards(high, 'high', digits);
    if (from === undefined || to === undefined || from <= to)
      return {
        ...(from === undefined ? {} : { low: from }),
        ...(to === undefined ? {} : { high: to }),
      };
  }
  return { ...(low === undefined ? {} : { low }), ...(high === undefined ? {} : { high }) };
}

/** Says a range as a person would: "20 to 65 °C", "at least 1 MΩ", "up to 4.5 mm/s". */
export function sayRange(range: ExpectedRange, unit = ''): string {
  const { low, high } = written(range);
  const tail = unit ? ` ${unit}` : '';
  if (low !== undefined && high !== undefined) return `${low} to ${high}${tail}`;
  if (low !== undefined) return `at least ${low}${tail}`;
  if (high !== undefined) return `up to ${high}${tail}`;
  return `any${tail}`;
}

/** A limit as it is written; one that an author wrote stays as they wrote it. */
export const sayLimit = (value: number, end: 'low' | 'high'): string =>
  String(written({ [end]: value })[end]);

const LONGEST_AS_IT_IS = 7;

/** Only computed limits have more digits than anybody would write. */
const written = (range: ExpectedRange): ExpectedRange =>
  [range.low, range.high].some((end) => end !== undefined && digitsOf(end) > LONGEST_AS_IT_IS)
    ? asWritten(range)
    : range;

const digitsOf = (value: number): number => String(Math.abs(value)).replace('.', '').length;

/** The same range in another unit, with no more digits than people write, and never wider than it is. */
export function rangeIn(range: ExpectedRange, from: string, to: string): ExpectedRange {
  if (from === to) return range;
  return asWritten({
    ...(range.low === undefined ? {} : { low: convert(range.low, from, to) }),
    ...(range.high === undefined ? {} : { high: convert(range.high, from, to) }),
  });
}
