import { base32crockford } from '@scure/base';

/** Thirty-two signs that are not mistaken for each other when read aloud or typed with gloves on. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** Bits of a sign. */
const BITS = 5;

/** Multiplication by x in GF(2^5) with the primitive polynomial x^5 + x^2 + 1. */
const timesX = (element: number): number => {
  const shifted = element << 1;
  return shifted & 32 ? (shifted ^ 0b100101) & 31 : shifted;
};

/**
 * The check sign of some signs: the remainder of a Reed–Solomon code with one check symbol over
 * GF(2^5), as in Reed and Solomon, “Polynomial Codes over Certain Finite Fields” (1960). One wrong
 * sign, or two neighbours in each other's place, always give another one.
 */
function checkSign(signs: string): string {
  let sum = 0;
  for (const sign of signs) sum = timesX(sum ^ SIGNS.indexOf(sign));
  return SIGNS[sum] ?? '';
}

/**
 * The first bits of some bytes as a short code: `length` signs, of which the first are given and the
 * last checks the others. Throws a RangeError where the bytes do not suffice.
 */
export function shortCode(bytes: Uint8Array, length: number, first = ''): string {
  if (bytes.length * 8 < (length - 1 - first.length) * BITS)
    throw new RangeError('too few bytes for a code of this length');
  const signs = `${first}${base32crockford.encode(bytes)}`.slice(0, length - 1);
  return signs + checkSign(signs);
}

/** What was typed without the gaps and strokes people put between signs. */
const written = (typed: string): string => typed.toUpperCase().replace(/[\s\p{Pd}]/gu, '');

/** Whether as much was typed as such a code has. */
export const isWholeCode = (typed: string, length: number): boolean =>
  written(typed).length >= length;

/**
 * A code as somebody typed it, put right: small letters, gaps and strokes are forgiven, O is 0, I and
 * L are 1. Null where it is none of this length or its check sign does not fit.
 */
export function readShortCode(typed: string, length: number): string | null {
  const code = written(typed).replace(/O/g, '0').replace(/[IL]/g, '1');
  if (code.length !== length || [...code].some((sign) => !SIGNS.includes(sign))) return null;
  return checkSign(code.slice(0, -1)) === code.at(-1) ? code : null;
}

/** A code in two halves, as it is read aloud. */
export const spaced = (code: string): string =>
  `${code.slice(0, Math.ceil(code.length / 2))} ${code.slice(Math.ceil(code.length / 2))}`;
