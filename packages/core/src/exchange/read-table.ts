import {
  fieldOf,
  LONGEST_CODE,
  LONGEST_NAME,
  LONGEST_TEXT,
  MOST_ROWS,
  OWN_NAMES,
  type CatalogueColumn,
  type CatalogueRow,
} from '../catalogues/index.ts';
import { readNumber, writingOf, type Writing } from '../measure/index.ts';
import { freeKey } from '../logic/index.ts';

/** What becomes of one column of a file. */
export type ColumnUse =
  | { readonly use: 'code' }
  | { readonly use: 'name' }
  | { readonly use: 'field'; readonly column: CatalogueColumn }
  | { readonly use: 'nothing' };

/** A row of the file that can't be taken in, with the line it stands on. */
export interface RefusedRow {
  readonly line: number;
  readonly why: string;
}

export interface ReadTable {
  readonly columns: readonly CatalogueColumn[];
  readonly rows: readonly CatalogueRow[];
  readonly refused: readonly RefusedRow[];
}

type Cells = readonly string[];

const CODE_WORDS = /^(code|id|no|nr|number|item|article|key|sku)\b/i;
const NAME_WORDS = /^(name|label|title|description|designation|what)\b/i;

/**
 * Proposes what to do with each column of a file, from its first line and some of the lines under
 * it: what looks like a code or a name is taken as one, a column that is mostly numbers as numbers.
 */
export function guessColumns(header: Cells, sample: readonly Cells[]): ColumnUse[] {
  const code = header.findIndex((title) => CODE_WORDS.test(title.trim()));
  const named = header.findIndex((title, at) => at !== code && NAME_WORDS.test(title.trim()));
  const firstOther = header.findIndex((_, at) => at !== code);
  const name = named >= 0 ? named : Math.max(firstOther, 0);
  const taken = new Set<string>(OWN_NAMES);
  return header.map((title, at): ColumnUse => {
    if (at === name) return { use: 'name' };
    if (at === code) return { use: 'code' };
    const label = title.trim();
    if (label === '') return { use: 'nothing' };
    const key = freeKey(label, taken);
    taken.add(key);
    const values = sample.map((cells) => cells[at]?.trim() ?? '').filter((text) => text !== '');
    const numbers = values.filter((text) => {
      const read = readNumber(text);
      return 'value' in read || read.either !== undefined;
    });
    return {
      use: 'field',
      column: { key, label, kind: isMostly(numbers, values) ? 'number' : 'text' },
    };
  });
}

/** A stray word among numbers is more likely a slip than a reason to take all of them as words. */
const isMostly = (some: readonly string[], all: readonly string[]): boolean =>
  all.length > 0 && some.length >= 0.8 * all.length;

/**
 * Reads the lines of a file into rows of a catalogue. Without a column of codes the name tells the
 * rows apart. A line that can't be taken in is named with the reason; empty lines are passed over.
 * Lines are counted as a person counts them in the file, the first line being 1.
 */
export function readTable(lines: readonly Cells[], uses: readonly ColumnUse[]): ReadTable {
  const nameAt = uses.findIndex(({ use }) => use === 'name');
  const codeAt = uses.findIndex(({ use }) => use === 'code');
  const columns = uses.flatMap((use) => (use.use === 'field' ? [use.column] : []));
  const rows: CatalogueRow[] = [];
  const refused: RefusedRow[] = [];
  const lineOf = new Map<string, number>();
  const writings = uses.map((use, at) =>
    use.use === 'field' && use.column.kind === 'number'
      ? writingOf(lines.slice(1).map((cells) => cells[at] ?? ''))
      : {},
  );
  lines.slice(1).forEach((cells, index) => {
    const line = index + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const label = cells[nameAt]?.trim() ?? '';
    const code = codeAt < 0 ? label : (cells[codeAt]?.trim() ?? '');
    const read = readFields(cells, uses, writings);
    const why =
      nameIsMissing(label, code, codeAt >= 0) ??
      standsTwice(code, lineOf.get(code.toLowerCase())) ??
      (typeof read === 'string' ? read : null) ??
      (rows.length >= MOST_ROWS ? `A catalogue takes ${MOST_ROWS} rows at most.` : null);
    if (why !== null || typeof read === 'string') {
      refused.push({ line, why: why ?? '' });
      return;
    }
    lineOf.set(code.toLowerCase(), line);
    rows.push({ code, label, fields: read });
  });
  return { columns, rows, refused };
}

function nameIsMissing(label: string, code: string, hasCodes: boolean): string | null {
  if (label === '') return 'It has no name.';
  if (hasCodes && code === '') return 'It has no code.';
  return label.length > LONGEST_NAME || code.length > LONGEST_CODE
    ? 'Its name or code is too long.'
    : null;
}

const standsTwice = (code: string, line: number | undefined): string | null =>
  line === undefined ? null : `“${code}” stands on line ${line} already.`;

/** The fields of a line, or why they can't be read. */
function readFields(
  cells: Cells,
  uses: readonly ColumnUse[],
  writings: readonly Writing[],
): Record<string, string | number> | string {
  const fields: Record<string, string | number> = {};
  for (const [at, use] of uses.entries()) {
    const text = cells[at]?.trim() ?? '';
    if (use.use !== 'field' || text === '') continue;
    const { key, label, kind } = use.column;
    if (text.length > LONGEST_TEXT) return `What stands under ${label} is too long.`;
    if (kind === 'text') {
      fields[key] = text;
      continue;
    }
    const read = readNumber(text, writings[at]);
    if ('problem' in read && read.either)
      return `“${text}” under ${label} may be ${read.either[0]} or ${read.either[1]}: write it without a comma.`;
    if (!('value' in read)) return `“${text}” under ${label} is no number.`;
    fields[key] = read.value;
  }
  return fields;
}

/** The lines of a catalogue as a file has them; the other way round of `readTable`. */
export function writeTable(
  columns: readonly CatalogueColumn[],
  rows: readonly CatalogueRow[],
): (string | number)[][] {
  return [
    ['Code', 'Name', ...columns.map(({ label }) => label)],
    ...rows.map(({ code, label, fields }) => [
      code,
      label,
      ...columns.map(({ key }) => fieldOf(fields, key) ?? ''),
    ]),
  ];
}
