/** Digits of a label's number before the one that checks them. */
export const TAG_DIGITS = 7;

/**
 * The check digit of some digits by ISO/IEC 7064, MOD 11,10. The library there is for it brings all the
 * other systems to every phone; a test compares the two.
 */
function checkDigit(digits: string): string {
  let product = 10;
  for (const digit of digits) {
    const sum = (product + Number(digit)) % 10 || 10;
    product = (sum * 2) % 11;
  }
  return String((11 - product) % 10);
}

/**
 * A label's number: seven digits of `count` and one that checks them by ISO/IEC 7064, MOD 11,10. One
 * wrong digit is always found, and so are almost all neighbours in each other's place. Throws a
 * RangeError beyond seven digits.
 */
export function tagNumber(count: number): string {
  const digits = String(count).padStart(TAG_DIGITS, '0');
  if (!Number.isInteger(count) || count < 0 || digits.length > TAG_DIGITS)
    throw new RangeError(`a label’s number is counted from 0 to ${10 ** TAG_DIGITS - 1}`);
  return `${digits}${checkDigit(digits)}`;
}

/** A number as somebody typed it, without the gaps and strokes between digits; null where it is none. */
export function readTagNumber(typed: string): string | null {
  const digits = typed.replace(/[\s\p{Pd}.]/gu, '');
  if (!/^\d+$/.test(digits) || digits.length !== TAG_DIGITS + 1) return null;
  return checkDigit(digits.slice(0, -1)) === digits.at(-1) ? digits : null;
}

/**
 * The number that is printed below a code, for whoever can't scan it: made of the last digits of its
 * id (a UUID), so that nobody has to keep it. Two codes may have the same: it tells apart what is
 * compared with one of them, and proves little.
 */
export const numberOfId = (id: string): string =>
  tagNumber(Number.parseInt(id.replaceAll('-', '').slice(-12), 16) % 10 ** TAG_DIGITS);

/** A number as it is printed and read aloud: “4072 1863”. */
export const sayTagNumber = (number: string): string => `${number.slice(0, 4)} ${number.slice(4)}`;

const URN = /^urn:uuid:([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})$/i;

/** What stands in a label's code: an id that is nobody else's in the world (RFC 9562). */
export const tagCode = (id: string): string => `urn:uuid:${id}`;

/** The label whose code was read; null for any other code. */
export const readTagCode = (code: string): string | null =>
  URN.exec(code.trim())?.[1]?.toLowerCase() ?? null;
