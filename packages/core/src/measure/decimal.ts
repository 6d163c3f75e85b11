export type ReadNumber = { readonly value: number } | { readonly problem: string };

/**
 * Reads what a person typed as a number. A decimal comma counts as a point; spaces around are
 * dropped. Anything that is not plainly one number is refused with words, never guessed.
 */
export function readNumber(typed: string): ReadNumber {
  const text = typed.trim().replaceAll('\u2212', '-').replaceAll('\u00a0', '');
  if (/[.,].*[.,]/.test(text))
    return { problem: 'Use one decimal point, and no marks for thousands.' };
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text))
    return { problem: 'Write a number, such as 12.5.' };
  const value = Number(text.replace(',', '.'));
  if (!Number.isFinite(value) || Math.abs(value) > 1e15)
    return { problem: 'This number is too large to be a reading.' };
  return { value };
}

/** Writes a computed value, rounded to the decimals wanted, or with as many as it has. */
export function writeNumber(value: number, decimals?: number): string {
  return decimals === undefined ? String(value) : value.toFixed(decimals);
}

/**
 * Writes a value as it was entered: padded to the decimals its question asks for, but never
 * rounded, since a reading just over a limit must not look as if it lay on it.
 */
export function writeEntered(value: number, decimals = 0): string {
  const padded = value.toFixed(decimals);
  return Number(padded) === value ? padded : String(value);
}
