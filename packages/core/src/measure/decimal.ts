import { CONVERTIBLE_UNITS } from './convert.ts';
import { writeUnit } from './unit.ts';

export type ReadNumber =
  | { readonly value: number }
  | { readonly problem: string; readonly either?: never }
  /** It can be read in two ways: the person, or the rest of the column, has to say which. */
  | { readonly problem: string; readonly either: readonly [number, number] };

/** How numbers are written where they come from. */
export interface Writing {
  /** What a comma stands for; asked for where left out and both are possible. */
  readonly comma?: 'decimal' | 'thousands';
  /** Units that may follow the number, as people write them. */
  readonly units?: readonly string[];
}

const FRACTIONS: ReadonlyMap<string, string> = new Map([
  ['½', '.5'],
  ['¼', '.25'],
  ['¾', '.75'],
  ['⅓', '.333333333333333'],
  ['⅔', '.666666666666667'],
  ['⅕', '.2'],
  ['⅛', '.125'],
  ['⅜', '.375'],
  ['⅝', '.625'],
  ['⅞', '.875'],
]);

/** Spaces of every kind, and the apostrophe, set thousands apart. */
const APART = /(?<=\d)[\s\u00a0\u2007\u2009\u202f'’](?=\d{3}(?!\d))/g;
const BLANK = /[\s\u00a0\u2007\u2009\u202f]+/g;

/**
 * Reads what a person typed as a number. A decimal comma counts as a point, spaces set thousands
 * apart, a unit may follow, and ½ is a half. Anything that is not plainly one number is refused with
 * words, never guessed: “1,234” may be either of two.
 */
export function readNumber(typed: string, { comma, units = [] }: Writing = {}): ReadNumber {
  const bare = withoutUnit(typed.trim(), units);
  const text = withFraction(
    bare.replaceAll('\u2212', '-').replace(APART, '').replace(BLANK, ' ').trim(),
  ).replace(/^([+-]) (?=\d)/, '$1');
  if (units.length > 0 && followedByUnit(text))
    return { problem: `Leave the unit away, or write it as ${units.join(' or ')}.` };
  if (text.includes(',') && text.includes('.')) return plain(withBoth(text));
  if (/^[+-]?\d{1,3}(,\d{3}){2,}$/.test(text)) return plain(text.replaceAll(',', ''));
  if (/^[+-]?\d{1,3}(\.\d{3}){2,}$/.test(text)) return plain(text.replaceAll('.', ''));
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text) && comma === undefined) return ambiguous(text);
  return plain(
    comma === 'thousands' && /^[+-]?\d{1,3},\d{3}$/.test(text)
      ? text.replace(',', '')
      : text.replace(',', '.'),
  );
}

/** How a column writes its numbers: what its plain ones say of the comma; null where they differ or say nothing. */
export function writingOf(texts: readonly string[]): Writing {
  const bare = texts.map((text) => text.trim().replace(APART, ''));
  const decimal = bare.some((text) =>
    /^[+-]?(0?,\d+|\d+,(\d{1,2}|\d{4,})|[\d.]*\.\d{3},\d+)$/.test(text),
  );
  const thousands = bare.some((text) =>
    /^[+-]?\d{1,3}(,\d{3})+\.\d*$|^[+-]?\d{1,3}(,\d{3}){2,}$/.test(text),
  );
  if (decimal === thousands) return {};
  return { comma: decimal ? 'decimal' : 'thousands' };
}

function ambiguous(text: string): ReadNumber {
  const either = [Number(text.replace(',', '.')), Number(text.replace(',', ''))] as const;
  return { problem: `Is this ${either[0]} or ${either[1]}?`, either };
}

function plain(text: string): ReadNumber {
  if (/[.,].*[.,]/.test(text))
    return { problem: 'Use one decimal point, and no marks for thousands.' };
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text))
    return { problem: 'Write a number, such as 12.5.' };
  const value = Number(text.replace(',', '.'));
  if (!Number.isFinite(value) || Math.abs(value) > 1e15)
    return { problem: 'This number is too large to be a reading.' };
  return { value: value + 0 };
}

/** With both a comma and a point the last one is the decimal one, where the others set thousands apart. */
function withBoth(text: string): string {
  if (/^[+-]?\d{1,3}(,\d{3})+\.\d*$/.test(text)) return text.replaceAll(',', '');
  if (/^[+-]?\d{1,3}(\.\d{3})+,\d*$/.test(text)) return text.replaceAll('.', '').replace(',', '.');
  return text;
}

const KNOWN_UNITS: ReadonlySet<string> = new Set([
  '%',
  ...CONVERTIBLE_UNITS.flatMap((code) => [code, writeUnit(code)]),
]);

/** Whether a unit follows that the value is not in: far more likely meant than mistyped. */
function followedByUnit(text: string): boolean {
  const [, tail = ''] = /^[+-]?\d[\d.,]*\s*([^\d.,\s].*)$/.exec(text) ?? [];
  return KNOWN_UNITS.has(tail);
}

function withoutUnit(text: string, units: readonly string[]): string {
  const unit = [...units]
    .sort((a, b) => b.length - a.length)
    .find((each) => each !== '' && text.toLowerCase().endsWith(each.toLowerCase()));
  const bare = unit === undefined ? text : text.slice(0, -unit.length).trim();
  return /[\d½¼¾⅓⅔⅕⅛⅜⅝⅞.,]$/.test(bare) ? bare : text;
}

function withFraction(text: string): string {
  const [, sign = '', whole = '', fraction = ''] =
    /^([+-]?)(\d*) ?([½¼¾⅓⅔⅕⅛⅜⅝⅞])$/.exec(text) ?? [];
  const part = FRACTIONS.get(fraction);
  return part === undefined ? text : `${sign}${whole || '0'}${part}`;
}

/** Writes a computed value, rounded to the decimals wanted, or with as many as it has. */
export function writeNumber(value: number, decimals?: number): string {
  const text = decimals === undefined ? String(value) : value.toFixed(decimals);
  // What rounds to nothing is neither above nor below it.
  return Number(text) === 0 ? text.replace('-', '') : text;
}

/**
 * Writes a value as it was entered: padded to the decimals its question asks for, but never
 * rounded, since a reading just over a limit must not look as if it lay on it.
 */
export function writeEntered(value: number, decimals = 0): string {
  const padded = value.toFixed(decimals);
  return Number(padded) === value ? padded : String(value);
}
