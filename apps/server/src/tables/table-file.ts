import ExcelJS, { type Cell as SheetCell, type CellValue } from 'exceljs';
import Papa from 'papaparse';
import { readGeoJson } from './geo-json-file.ts';

export type Cell = string | number;

/** Why a file of rows can't be read, in words for the person. */
export class UnreadableTable extends Error {
  override name = 'UnreadableTable';
}

/** More lines than any catalogue takes, so that its own words about that are heard. */
const MOST_LINES = 20_001;
const MOST_CELLS = 60;

/** The beginning of every ZIP file, which an XLSX file is. */
const ZIP = [0x50, 0x4b, 0x03, 0x04];

/** Reads a CSV, XLSX or GeoJSON file into lines of text. Throws an {@link UnreadableTable}. */
export async function readTableFile(bytes: Uint8Array): Promise<string[][]> {
  const zipped = ZIP.every((byte, at) => bytes[at] === byte);
  const lines = zipped ? await readXlsx(bytes) : (readGeoJson(bytes) ?? readCsv(bytes));
  if (lines.length > MOST_LINES)
    throw new UnreadableTable(`This file has more than ${MOST_LINES - 1} rows. Take a part of it.`);
  if (lines.some((line) => line.length > MOST_CELLS))
    throw new UnreadableTable(`This file has more than ${MOST_CELLS} columns. Take out some.`);
  if (!lines.some((line) => line.some((cell) => cell.trim() !== '')))
    throw new UnreadableTable('There is nothing in this file.');
  return lines;
}

/** Text that a spreadsheet would take for a formula, whatever apostrophes stand before it already. */
const LIKE_A_FORMULA = /^'*[=+\-@\t\r]/;
/** The apostrophe that is put before such text; not part of it. */
const GUARDED = /^'(?='*[=+\-@\t\r])/;

/** Spreadsheets may say in a first line of its own what separates the cells. */
const SEPARATOR = /^sep=(.)\r?\n/i;

function readCsv(bytes: Uint8Array): string[][] {
  const whole = decode(bytes);
  if (whole.slice(0, 4_000).includes('\u0000'))
    throw new UnreadableTable('This is neither a CSV nor an XLSX file.');
  const [first = '', separator] = SEPARATOR.exec(whole) ?? [];
  // Without its last line breaks: an empty line would spoil the guess at what separates the cells.
  const text = whole.slice(first.length).replace(/[\r\n]+$/, '');
  const { data, errors } = Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    ...(separator ? { delimiter: separator } : {}),
  });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open) {
    const line = lineOf(data, open.row ?? 0) + (first ? 1 : 0);
    throw new UnreadableTable(`On line ${line} a quote begins that does not end. Close it there.`);
  }
  const lines = data.map((line) => line.map((cell) => cell.replace(GUARDED, '')));
  while (lines.length > 0 && lines.at(-1)?.every((cell) => cell === '')) lines.pop();
  return lines;
}

/** On which line of the file a row begins: cells before it may hold line breaks of their own. */
const lineOf = (rows: readonly (readonly string[])[], row: number): number =>
  rows
    .slice(0, row)
    .flat()
    .reduce((line, cell) => line + (cell.match(/\n/g)?.length ?? 0), row + 1);

/** What files begin with that are written in two bytes a sign. */
const WIDE: readonly (readonly [number, number, string])[] = [
  [0xff, 0xfe, 'utf-16le'],
  [0xfe, 0xff, 'utf-16be'],
];

/** UTF-8 or UTF-16 where it is that, else the code page that spreadsheets write on many machines. */
function decode(bytes: Uint8Array): string {
  const wide = WIDE.find(([one, two]) => bytes[0] === one && bytes[1] === two);
  if (wide) return new TextDecoder(wide[2]).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

async function readXlsx(bytes: Uint8Array): Promise<string[][]> {
  const book = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(bytes.slice().buffer);
  } catch {
    throw new UnreadableTable('This file can’t be read as XLSX. Save it anew, or as CSV.');
  }
  const [sheet] = book.worksheets;
  const lines: string[][] = [];
  sheet?.eachRow({ includeEmpty: true }, (row) => {
    const line: string[] = [];
    row.eachCell({ includeEmpty: true }, (cell: SheetCell) => line.push(sayCell(cell.value)));
    lines.push(line);
  });
  return lines;
}

/** A day, with its time of day where it has one; spreadsheets know no zones. */
function sayDate(date: Date): string {
  if (Number.isNaN(date.getTime())) return '';
  const [day = '', time = ''] = date.toISOString().split('T');
  const minutes = time.slice(0, 5);
  return minutes === '00:00' ? day : `${day}T${minutes}`;
}

function sayCell(value: CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return sayDate(value);
  if (typeof value !== 'object') return String(value);
  if ('result' in value) return sayCell(value.result ?? null);
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('text' in value) return sayCell(value.text);
  return '';
}

/** Lines as a CSV file that spreadsheets open as UTF-8 and never take for formulas. */
export const writeCsv = (lines: readonly (readonly Cell[])[]): Buffer =>
  Buffer.from(`\uFEFF${Papa.unparse(lines as Cell[][], { escapeFormulae: LIKE_A_FORMULA })}\r\n`);

/** Lines as an XLSX file, the first one bold and kept in sight. */
export async function writeXlsx(
  lines: readonly (readonly Cell[])[],
  name: string,
): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(name.replaceAll(/[*?:\\/[\]']/g, ' ').slice(0, 31), {
    views: [{ state: 'frozen', ySplit: 1 }],
  });
  sheet.addRows(lines.map((line) => [...line]));
  sheet.getRow(1).font = { bold: true };
  sheet.columns.forEach((column, at) => {
    const longest = Math.max(...lines.slice(0, 200).map((line) => String(line[at] ?? '').length));
    column.width = Math.min(60, Math.max(8, longest + 2));
  });
  return Buffer.from(await book.xlsx.writeBuffer());
}
