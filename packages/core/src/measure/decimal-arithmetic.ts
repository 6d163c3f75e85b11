import { tidy } from './convert.ts';

/** A double holds a little more than fifteen decimal digits. */
const DIGITS = 15;
const MOST_DECIMALS = 100;

/** How many decimals of a sum of this size mean anything. */
function decimalsAt(size: number): number {
  if (size === 0) return MOST_DECIMALS;
  const decimals = DIGITS - 1 - Math.floor(Math.log10(size));
  return Math.min(MOST_DECIMALS, Math.max(0, decimals));
}

/**
 * The sum of two numbers as it is written in decimals: 1.1 + 2.2 is 3.3, and 1.1 + 2.2 − 3.3 is 0.
 * Digits beyond those of the larger number only binary arithmetic put there. Gives what doubles give
 * for infinities.
 */
export function addDecimal(a: number, b: number): number {
  const sum = a + b;
  if (Number.isInteger(a) && Number.isInteger(b)) return sum;
  const size = Math.max(Math.abs(a), Math.abs(b));
  if (!Number.isFinite(sum) || size > 1e15) return sum;
  return Number(sum.toFixed(decimalsAt(size)));
}

/** How two numbers compare as they are written in decimals: negative, 0 or positive. */
export function compareDecimal(a: number, b: number): number {
  if (a === b) return 0;
  return tidy(a) - tidy(b);
}

/** The remainder of a division as people work it out in decimals: 5.5 % 0.1 is 0. The sign is that of a. */
export function remainderDecimal(a: number, b: number): number {
  const scale = 10 ** Math.min(12, Math.max(decimalsOf(a), decimalsOf(b)));
  return (Math.round(a * scale) % Math.round(b * scale)) / scale;
}

function decimalsOf(value: number): number {
  const [digits = '', exponent = '0'] = String(value).split('e');
  return Math.max(0, (digits.split('.')[1]?.length ?? 0) - Number(exponent));
}

/**
 * Rounded to so many decimals (0 or more), halves away from zero as they are written: 1.005 to two
 * decimals is 1.01, though the nearest double lies a hair below it. Negative decimals round to tens.
 */
export function roundDecimal(value: number, decimals: number): number {
  if (!Number.isFinite(value)) return value;
  const [digits = '', exponent = '0'] = String(Math.abs(tidy(value))).split('e');
  const shifted = Math.round(Number(`${digits}e${Number(exponent) + decimals}`));
  const [back = '', by = '0'] = String(shifted).split('e');
  return Math.sign(value) * Number(`${back}e${Number(by) - decimals}`) + 0;
}

/** The sum of many numbers, each digit of it meant; 0 of none. */
export function sumDecimal(values: readonly number[]): number {
  let sum = 0;
  // What each step lost, by Neumaier's way; so that ten thousand tenths are a thousand.
  let lost = 0;
  let largest = 0;
  for (const value of values) {
    const next = sum + value;
    lost += Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum;
    sum = next;
    largest = Math.max(largest, Math.abs(value), Math.abs(next));
  }
  const total = sum + lost;
  if (!Number.isFinite(total) || largest > 1e15) return total;
  return Number(total.toFixed(decimalsAt(largest)));
}
