import type { AnswerValue, OffScaleValue } from '../../log/index.ts';
import { readNumber, writeEntered, type Writing } from '../../measure/index.ts';

/** On which side of the scale a value lies that the meter could not show. */
export type OffScale = OffScaleValue['offScale'];

export const isOffScale = (value: AnswerValue): value is OffScaleValue =>
  typeof value === 'object' && 'offScale' in value;

/** On which side a reading left the scale; null for one that was read. */
export const offScaleOf = (value: AnswerValue): OffScale | null =>
  isOffScale(value) ? value.offScale : null;

const SIGNS: Readonly<Record<OffScale, string>> = { above: '>', below: '<' };

export const sayOffScale = (off: OffScale | null, written: string): string =>
  off === null ? written : `${SIGNS[off]} ${written}`;

/** As a share of the limit; less is not told apart in decimal arithmetic. */
const BESIDE = 1e-12;

/**
 * What a value off the scale is computed with: the number next to the end of the scale, so that it is
 * never taken for the end itself.
 */
export const besideScale = (limit: number, off: OffScale | null): number =>
  off === null ? limit : limit + (off === 'above' ? BESIDE : -BESIDE) * (Math.abs(limit) || 1);

export type ReadReading =
  | { readonly value: number | OffScaleValue }
  | { readonly problem: string; readonly either?: readonly [number, number] };

/** Reads a number as it is typed, with “>” or “<” before it where the question takes that. */
export function readReading(
  question: { readonly offScale?: true },
  typed: string,
  writing: Writing = {},
): ReadReading {
  const [, sign, rest = ''] = /^\s*([<>])(.*)$/s.exec(typed) ?? [];
  if (sign === undefined || question.offScale !== true) return readNumber(typed, writing);
  const read = readNumber(rest, writing);
  if (!('value' in read)) return { problem: read.problem };
  return { value: { offScale: sign === '>' ? 'above' : 'below', limit: read.value } };
}

/** A reading as it was entered, as it can be typed again. */
export const writeReading = (
  value: number,
  off: OffScale | null,
  decimals: number | undefined,
): string => sayOffScale(off, writeEntered(value, decimals));

/** The other way of what is typed: off the scale upwards, or read. */
export const turnedOffScale = (typed: string): string => {
  const bare = typed.replace(/^\s*[<>]\s*/, '');
  return bare === typed ? `> ${typed}` : bare;
};
