import type { CatalogueSummary, KeptCatalogue } from '@ant-trail/contract/catalogues';
import type { TableLines } from '@ant-trail/contract/exchange';
import { guessColumns, readTable } from '@ant-trail/core/exchange';
import ExcelJS from 'exceljs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { readTableFile, writeCsv, writeXlsx } from '../src/tables/table-file.ts';
import { TableReader } from '../src/tables/table-reader.ts';
import { openOffice, type Caller, type Office } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let manager: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ manager, technician } = await office.newTeam('exchange'));
});
afterAll(() => office.close());

const read = async (bytes: Uint8Array | string): Promise<{ status: number; body: unknown }> =>
  manager.call('POST', '/api/tables', {
    name: 'list',
    content: Buffer.from(bytes).toString('base64'),
  });
const linesOf = async (bytes: Uint8Array | string): Promise<string[][]> =>
  ((await read(bytes)).body as TableLines).lines;

describe('a file of rows', () => {
  test('is read whatever separates its cells, and in the older code page', async () => {
    const wanted = [
      ['Code', 'Name'],
      ['1', 'Rösti; cold'],
    ];
    expect(await linesOf('Code;Name\r\n1;"Rösti; cold"\r\n')).toEqual(wanted);
    expect(await linesOf('\uFEFFCode\tName\n1\tRösti; cold\n')).toEqual(wanted);
    expect(await linesOf(Buffer.from('Code;Name\n1;"Rösti; cold"', 'latin1'))).toEqual(wanted);
  });

  test('is read from XLSX, numbers, days, formulas and rich text as people see them', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('One');
    sheet.addRow(['Code', 'Name', 'Par', 'Since', 'Twice']);
    sheet.addRow([
      7,
      { richText: [{ text: 'Oa' }, { text: 'ts' }] },
      2.5,
      new Date('2031-04-05T00:00:00Z'),
      { formula: 'C2*2', result: 5 },
    ]);
    const bytes = new Uint8Array(await book.xlsx.writeBuffer());
    expect(await linesOf(bytes)).toEqual([
      ['Code', 'Name', 'Par', 'Since', 'Twice'],
      ['7', 'Oats', '2.5', '2031-04-05', '5'],
    ]);
  });

  test.each([
    ['nothing', '', /empty/],
    ['only blanks', ' \n \n', /nothing in this file/],
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]), /neither a CSV nor an XLSX/],
    ['a broken archive', Buffer.from([0x50, 0x4b, 0x03, 0x04, 9, 9]), /can’t be read as XLSX/],
    ['too many columns', Array(80).fill('a').join(','), /more than 60 columns/],
    ['too many rows', 'a,b\n'.repeat(20_010), /more than 20000 rows/],
  ])('that holds %s is refused in words', async (_what, bytes, words) => {
    const { status, body } = await read(bytes);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect((body as { message: string }).message).toMatch(words);
  });
});

describe('lines written to a file', () => {
  // What a catalogue holds: trimmed, and never a line of nothing.
  const cell = fc
    .oneof(
      fc.string({ maxLength: 12 }),
      fc.stringMatching(/^['=+@\t-]{0,3}[a-z0-9]{0,4}[;,"' \n]{0,2}[a-zäß€]{0,3}$/),
      fc.constantFrom('=1+1', "'=1", "''@x", '-5', '+299 55', '@home', '"', 'a,b;c'),
    )
    .map((text) => text.replaceAll(/[\u0000\r]/g, '').trim())
    .filter((text) => !/^[\uFEFF]/.test(text));
  const lines = fc
    .array(fc.tuple(fc.constant('x'), cell, cell, fc.constant('y')), { minLength: 1, maxLength: 8 })
    .map((rows) => [['Code', 'Name', 'Note', 'End'], ...rows]);

  test('as CSV come back the same, and no spreadsheet takes one of them for a formula', async () => {
    await fc.assert(
      fc.asyncProperty(lines, async (written) => {
        const bytes = writeCsv(written);
        expect(await readTableFile(bytes)).toEqual(written);
        // As any other program reads it, who knows of no guard.
        const { data } = Papa.parse<string[]>(bytes.toString('utf8'), { delimiter: ',' });
        for (const text of data.flat()) expect(text).not.toMatch(/^[=+@-]/);
      }),
      { numRuns: 300 },
    );
  });

  test('as XLSX come back the same', async () => {
    const plain = lines.filter(
      (rows) => !rows.flat().some((text) => /[^\x20-\uFFFD\n]/.test(text)),
    );
    await fc.assert(
      fc.asyncProperty(plain, async (written) => {
        expect(await readTableFile(await writeXlsx(written, "A name: it's [odd]"))).toEqual(
          written,
        );
      }),
      { numRuns: 40 },
    );
  });
});

describe('files as other programs write them', () => {
  const read = (text: string | Uint8Array) =>
    readTableFile(typeof text === 'string' ? Buffer.from(text) : text);

  test('a quote that does not end is named by its line', async () => {
    await expect(read('a,b\n1,"two\nlines"\n3,"open\n4,x\n')).rejects.toThrow(
      'On line 4 a quote begins',
    );
    await expect(read('sep=;\na;b\n1;"open\n')).rejects.toThrow('On line 3 a quote begins');
  });

  test('a first line may say what separates the cells', async () => {
    expect(await read('sep=|\r\na|b\r\n1,5|2\r\n')).toEqual([
      ['a', 'b'],
      ['1,5', '2'],
    ]);
  });

  test('two bytes a sign are read, whichever comes first', async () => {
    const little = Buffer.from('\ufeffName;Größe\nℓ;≤ 3\n', 'utf16le');
    const lines = [
      ['Name', 'Größe'],
      ['ℓ', '≤ 3'],
    ];
    expect(await read(little)).toEqual(lines);
    expect(await read(Buffer.from(little).swap16())).toEqual(lines);
  });

  test('a day keeps its time where it has one', async () => {
    const book = new ExcelJS.Workbook();
    book
      .addWorksheet('One')
      .addRow([new Date('2031-04-05T00:00:00Z'), new Date('2031-04-05T07:45:00Z')]);
    const bytes = new Uint8Array(await book.xlsx.writeBuffer());
    expect(await read(bytes)).toEqual([['2031-04-05', '2031-04-05T07:45']]);
  });
});

test('a small file that unpacks to a very large one is refused, and the next one is read', async () => {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet('One');
  for (let row = 0; row < 60_000; row++) sheet.addRow(['the same', 'again', 'and again']);
  const bytes = new Uint8Array(await book.xlsx.writeBuffer());
  expect(bytes.length).toBeLessThan(2_500_000);
  const reader = new TableReader(process.env['TEST_TABLE_WORKER'] ?? '', 24);
  await expect(reader.read('a', bytes)).rejects.toThrow('too much to read');
  expect(await reader.read('b', Buffer.from('a;b\n1;2'))).toEqual([
    ['a', 'b'],
    ['1', '2'],
  ]);
  await reader.close();
});

describe('a catalogue', () => {
  const CSV = 'Code,Name,Par\nA1,=SUM(1),8\nA2,Rice,2.5\n';
  let made: CatalogueSummary;

  const importOf = async (csv: string, after: number) => {
    const lines = await linesOf(csv);
    const { columns, rows } = readTable(lines, guessColumns(lines[0] ?? [], lines.slice(1)));
    return manager.call('POST', '/api/catalogues', {
      ...{ key: 'stock', name: 'Stock', after, columns, rows },
    });
  };

  test('comes in whole, is pulled by phones, and goes out as it came', async () => {
    made = (await importOf(CSV, 0)).body as CatalogueSummary;
    expect(made).toMatchObject({ key: 'stock', number: 1, rows: 2 });
    expect((await pull(technician)).of('catalogue')).toMatchObject([
      { key: 'stock', rows: [{ code: 'A1' }, {}] },
    ]);
    const file = await fetch(`${office.url}/api/catalogues/${made.id}/rows.csv`, {
      headers: { cookie: manager.cookie },
    });
    const text = await file.text();
    // A spreadsheet must not run what somebody wrote as a name; read again it is the same name.
    expect(text).toContain(`A1,"'=SUM(1)",8`);
    expect(await linesOf(text)).toEqual([
      ['Code', 'Name', 'Par'],
      ['A1', '=SUM(1)', '8'],
      ['A2', 'Rice', '2.5'],
    ]);
    const xlsx = await fetch(`${office.url}/api/catalogues/${made.id}/rows.xlsx`, {
      headers: { cookie: manager.cookie },
    });
    expect(await linesOf(new Uint8Array(await xlsx.arrayBuffer()))).toEqual(await linesOf(text));
  });

  test('imported anew reaches a phone that is in step, and only the newest', async () => {
    const first = await pull(technician);
    expect((await importOf('Code,Name\nA9,Lentils\n', 1)).status).toBe(200);
    const next = await pull(technician, first.cursor);
    expect(next.of('catalogue')).toMatchObject([{ number: 2, rows: [{ code: 'A9' }] }]);
  });

  test('that somebody else imported meanwhile is not overwritten', async () => {
    const { status, body } = await importOf(CSV, 1);
    expect(status).toBe(409);
    expect(body).toMatchObject({ message: expect.stringMatching(/imported anew/) as string });
    const kept = (await manager.call('GET', `/api/catalogues/${made.id}`)).body as KeptCatalogue;
    expect(kept.rows.map(({ code }) => code)).toEqual(['A9']);
  });

  test('with the same code twice, or an unknown field, is refused whole', async () => {
    const rows = [
      { code: 'x', label: 'One', fields: {} },
      { code: 'X', label: 'Two', fields: {} },
    ];
    const twice = { key: 'other', name: 'Other', after: 0, columns: [], rows };
    expect((await manager.call('POST', '/api/catalogues', twice)).status).toBe(422);
    const odd = { ...twice, rows: [{ code: 'x', label: 'One', fields: { 'Bad key': 1 } }] };
    expect((await manager.call('POST', '/api/catalogues', odd)).status).toBe(400);
    const { body } = await manager.call('GET', '/api/catalogues');
    expect(JSON.stringify(body)).not.toContain('Other');
  });
});

describe('a GeoJSON file', () => {
  const collection = (...features: object[]): Buffer =>
    Buffer.from(JSON.stringify({ type: 'FeatureCollection', features }));
  const feature = (geometry: object | null, properties: object | null): object => ({
    ...{ type: 'Feature', geometry, properties },
  });
  const point = (lon: number, lat: number): object => ({ type: 'Point', coordinates: [lon, lat] });

  test('is rows: a column for each property, and where it lies', async () => {
    const plot = {
      type: 'Polygon',
      coordinates: [
        [
          [-41.2, 38.6],
          [-41.0, 38.6],
          [-41.0, 38.8],
          [-41.2, 38.6],
        ],
      ],
    };
    const file = collection(
      feature(point(-41.3, 38.62), { name: 'Gull well', depth: 3.5, dry: false, tags: ['a'] }),
      feature(plot, { name: 'Gorse plot', owner: null }),
      feature(null, null),
    );
    expect(await readTableFile(file)).toEqual([
      ['name', 'depth', 'dry', 'tags', 'owner', 'Latitude', 'Longitude'],
      ['Gull well', '3.5', 'no', '["a"]', '', '38.62', '-41.3'],
      ['Gorse plot', '', '', '', '', '38.7', '-41.1'],
      ['', '', '', '', '', '', ''],
    ]);
  });

  test('with keys named like object members, or broken, harms nobody', async () => {
    const odd = Buffer.from(
      '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":null,"properties":{"__proto__":"x","constructor":1}}]}',
    );
    expect((await readTableFile(odd))[0]).toContain('constructor');
    // No collection: rows of a file that happens to begin so.
    expect(await readTableFile(Buffer.from('{a},b\n1,2\n'))).toEqual([
      ['{a}', 'b'],
      ['1', '2'],
    ]);
  });
});
