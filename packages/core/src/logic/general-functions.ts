import { convert, roundDecimal, sumDecimal, tidy } from '../measure/index.ts';
import type { FunctionOffer } from './offer.ts';

type Rows = readonly Readonly<Record<string, unknown>>[];

/** The numbers in one column of rows; rows without one are left out. */
function column(rows: Rows, key: string): number[] {
  const numbers: number[] = [];
  for (const row of rows) {
    const value = row[key];
    if (typeof value === 'number') numbers.push(value);
  }
  return numbers;
}

const ROWS = 'list<map<string, dyn>>';

const over = (
  name: string,
  about: string,
  compute: (values: readonly number[]) => number,
): FunctionOffer => ({
  name,
  takes: [ROWS, 'string'],
  gives: 'double',
  usage: `${name}(rows, "question")`,
  about,
  run: (rows: Rows, key: string) => {
    const known = aggregatesOf(rows);
    const asked = `${name} ${key}`;
    const before = known.get(asked);
    if (before !== undefined) return before;
    const value = compute(column(rows, key));
    known.set(asked, value);
    return value;
  },
});

/** What was computed over rows, as long as nothing in them changed: every row may ask for the same. */
const aggregates = new WeakMap<Rows, Map<string, number>>();

function aggregatesOf(rows: Rows): Map<string, number> {
  const known = aggregates.get(rows) ?? new Map<string, number>();
  aggregates.set(rows, known);
  return known;
}

/** To be said when an answer in these rows changed: what was computed over them no longer counts. */
export function forgetAggregates(rows: unknown): void {
  if (Array.isArray(rows)) aggregates.delete(rows as Rows);
}

const sum = sumDecimal;

/** Thrown where there is nothing to compute with yet: the expression then gives nothing. */
function some(values: readonly number[]): readonly number[] {
  if (values.length === 0) throw new Error('no values yet');
  return values;
}

/** Functions over rows; their second argument names a question of the row group. */
export const ROW_FUNCTIONS: readonly FunctionOffer[] = [
  over('sum', 'The sum of a question’s numbers over all rows; 0 without any.', sum),
  over('mean', 'The mean of a question’s numbers over the rows that have one.', (values) =>
    tidy(sum(some(values)) / values.length),
  ),
  over('least', 'The smallest of a question’s numbers over the rows.', (values) =>
    Math.min(...some(values)),
  ),
  over('most', 'The largest of a question’s numbers over the rows.', (values) =>
    Math.max(...some(values)),
  ),
  {
    name: 'count',
    takes: [ROWS, 'string'],
    gives: 'double',
    usage: 'count(rows, "question")',
    about: 'In how many rows a question is answered.',
    run: (rows: Rows, key: string) => rows.filter((row) => Object.hasOwn(row, key)).length,
  },
];

const DAY_MS = 86_400_000;

/** Functions of numbers, units and days that every template may use. */
export const GENERAL_FUNCTIONS: readonly FunctionOffer[] = [
  {
    name: 'round',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'round(value, decimals)',
    about: 'Rounded to so many decimals, halves away from zero.',
    run: (value: number, decimals: number) => {
      if (!Number.isInteger(decimals) || Math.abs(decimals) > 20)
        throw new Error('it rounds to whole decimals, 20 at most');
      return roundDecimal(value, decimals);
    },
  },
  {
    name: 'abs',
    takes: ['double'],
    gives: 'double',
    usage: 'abs(value)',
    about: 'The value without its sign.',
    run: (value: number) => Math.abs(value),
  },
  {
    name: 'sqrt',
    takes: ['double'],
    gives: 'double',
    usage: 'sqrt(value)',
    about: 'The square root of a value of 0 or more.',
    run: (value: number) => {
      if (value < 0) throw new Error('no root of a negative number');
      return Math.sqrt(value);
    },
  },
  {
    name: 'lesser',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'lesser(a, b)',
    about: 'The smaller of two numbers.',
    run: (a: number, b: number) => Math.min(a, b),
  },
  {
    name: 'greater',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'greater(a, b)',
    about: 'The larger of two numbers.',
    run: (a: number, b: number) => Math.max(a, b),
  },
  {
    name: 'convert',
    takes: ['double', 'string', 'string'],
    gives: 'double',
    usage: 'convert(value, "bar", "[psi]")',
    about: 'The value in another unit; units by their UCUM codes.',
    run: (value: number, from: string, to: string) => tidy(convert(value, from, to)),
  },
  {
    name: 'daysBetween',
    takes: ['string', 'string'],
    gives: 'double',
    usage: 'daysBetween(from, to)',
    about: 'Days from one calendar day to another; negative when the second comes first.',
    run: (from: string, to: string) => {
      const days = (Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS;
      if (Number.isNaN(days)) throw new Error('not a day');
      return days;
    },
  },
];
