import fc from 'fast-check';
import {
  contactsToLookUp,
  lookedUp,
  missingCatalogues,
  ownersToLookUp,
  rowFinder,
  sayCode,
  sayFields,
  thingsToLookUp,
  type CatalogueRow,
} from '../src/catalogues/index.ts';
import { guessColumns, readTable, writeTable } from '../src/exchange/index.ts';
import { newQuestion } from '../src/templates/index.ts';
import { EMPTY } from './every-kind.ts';

const row = (code: string, label: string, fields: CatalogueRow['fields'] = {}): CatalogueRow => ({
  code,
  label,
  fields,
});

describe('looking rows up', () => {
  const rows = [
    row('P-12', 'Barley, rolled'),
    row('P-1', 'Oats'),
    row('P-3', 'Oat biscuits', { shelf: 'B2' }),
    row('P-4', 'Café creme', { note: 'with oats' }),
  ];
  const find = rowFinder(rows);
  const codes = (typed: string): string[] => find(typed, 10).map(({ code }) => code);

  test('puts a code or a name that begins so before the rest', () => {
    expect(codes('oat')).toEqual(['P-1', 'P-3', 'P-4']);
    expect(codes('p-1')).toEqual(['P-1', 'P-12']);
  });

  test('passes over capitals and marks over letters, and looks into fields', () => {
    expect(codes('CAFE')).toEqual(['P-4']);
    expect(codes('b2')).toEqual(['P-3']);
  });

  test('wants every word, wherever it stands', () => {
    expect(codes('rolled bar')).toEqual(['P-12']);
    expect(codes('oats barley')).toEqual([]);
    expect(codes('…')).toEqual([]);
  });

  test('finds every row by its own code and by its own name', () => {
    const words = fc.stringMatching(/^[a-z]{1,6}( [a-z]{1,6}){0,2}$/);
    fc.assert(
      fc.property(fc.uniqueArray(words, { minLength: 1, maxLength: 30 }), (labels) => {
        const many = labels.map((label, index) => row(`C${index}`, label));
        const look = rowFinder(many);
        for (const each of many) {
          expect(look(each.label, 100)).toContain(each);
          expect(look(each.code, 1)).toEqual([each]);
        }
      }),
    );
  });
});

describe('a file of rows', () => {
  const lines = [
    ['Item no', 'Name', 'Par', 'Shelf', ''],
    ['1', 'Oats', '8', 'A1', 'x'],
    ['2', 'Rice', '2,5', 'A2', ''],
    ['', '', '', '', ''],
    ['1', 'Again', '3', '', ''],
    ['4', '', '3', '', ''],
    ['', 'No code', '3', '', ''],
    ['6', 'Bad number', 'many', '', ''],
  ];
  const uses = guessColumns(lines[0] ?? [], lines.slice(1, 4));

  test('has its columns guessed from titles and what is under them', () => {
    expect(uses).toEqual([
      { use: 'code' },
      { use: 'name' },
      { use: 'field', column: { key: 'par', label: 'Par', kind: 'number' } },
      { use: 'field', column: { key: 'shelf', label: 'Shelf', kind: 'text' } },
      { use: 'nothing' },
    ]);
  });

  test('is read row by row, with the line and the reason of each that is refused', () => {
    const read = readTable(lines, uses);
    expect(read.rows).toEqual([
      row('1', 'Oats', { par: 8, shelf: 'A1' }),
      row('2', 'Rice', { par: 2.5, shelf: 'A2' }),
    ]);
    expect(read.refused).toEqual([
      { line: 5, why: '“1” stands on line 2 already.' },
      { line: 6, why: 'It has no name.' },
      { line: 7, why: 'It has no code.' },
      { line: 8, why: '“many” under Par is no number.' },
    ]);
  });

  test('says by its plain numbers what a comma means in the column, and refuses what stays open', () => {
    const read = (...numbers: string[]) => {
      const file = [['Name', 'Price'], ...numbers.map((text, at) => [`Row ${at}`, text])];
      const { rows, refused } = readTable(file, [
        { use: 'name' },
        { use: 'field', column: { key: 'price', label: 'Price', kind: 'number' } },
      ]);
      return [rows.map(({ fields }) => fields['price']), refused.map(({ why }) => why)];
    };
    expect(read('1,5', '1,234')).toEqual([[1.5, 1.234], []]);
    expect(read('1,234.50', '1,234')).toEqual([[1234.5, 1234], []]);
    expect(read('7', '1,234')).toEqual([
      [7],
      ['“1,234” under Price may be 1.234 or 1234: write it without a comma.'],
    ]);
  });

  test('comes back the same after it was written', () => {
    const { columns, rows } = readTable(lines, uses);
    const written = writeTable(columns, rows).map((line) => line.map(String));
    const again = readTable(written, guessColumns(written[0] ?? [], written.slice(1)));
    expect(again.rows).toEqual(rows);
    expect(again.refused).toEqual([]);
  });
});

test('an answer keeps what the catalogue knew when it was chosen', () => {
  const oats = row('1', 'Oats', { par: 8, shelf: 'A1' });
  expect(lookedUp('products', oats)).toEqual({
    catalogue: 'products',
    row: '1',
    label: 'Oats',
    fields: { par: 8, shelf: 'A1' },
  });
  const columns = [{ key: 'shelf', label: 'Shelf', kind: 'text' as const }];
  expect(sayFields({ columns }, oats)).toBe('Shelf A1');
  expect(sayFields(null, oats)).toBe('par 8 · shelf A1');
});

test('a template that looks in a catalogue nobody has is told so', () => {
  const body = {
    ...EMPTY,
    sections: [{ id: 's', title: 'S', questions: [newQuestion('lookup', EMPTY, 'Part')] }],
  };
  expect(missingCatalogues(body, new Set(['products']))).toEqual([]);
  expect(missingCatalogues(body, new Set())).toMatchObject([
    { question: 'part', message: expect.stringContaining('“Part” looks in') as string },
  ]);
});

describe('what the office knows anyway', () => {
  const who = (name: string, phone = '', role = '') => ({ name, role, phone, email: '' });
  const places = [
    {
      id: 'a',
      name: 'Quay shed',
      client: 'Tide Works',
      owner: 'Port',
      contacts: [who('Ada', '11')],
    },
    {
      id: 'b',
      name: 'Mill',
      client: 'tide works',
      contacts: [who('Bo', '', 'keeper'), who('Ada', '11')],
    },
    { id: 'c', name: 'Barn', client: 'Alder Farm', owner: ' ', contacts: [] },
  ];

  test('is looked up like a catalogue, that of the place one is at first', () => {
    expect(contactsToLookUp(places, 'b').rows).toEqual([
      { code: 'Bo, Mill', label: 'Bo', fields: { role: 'keeper', place: 'Mill' } },
      { code: 'Ada, 11', label: 'Ada', fields: { phone: '11', place: 'Mill' } },
    ]);
    expect(ownersToLookUp('our_clients', places, 'b').rows).toEqual([
      { code: 'Tide Works', label: 'Tide Works', fields: { places: 2 } },
      { code: 'Alder Farm', label: 'Alder Farm', fields: { places: 1 } },
    ]);
    expect(ownersToLookUp('our_owners', places, null).rows.map(({ label }) => label)).toEqual([
      'Port',
    ]);
  });

  test('brings what is known of a thing, and shows nobody the id it is told apart by', () => {
    const thing = { id: 'x', kind: 'pump', where: 'Cellar', number: '', name: 'Pump 1' };
    const list = thingsToLookUp([
      { ...thing, facts: { power: { label: 'power', is: 4 }, kind: { label: 'kind', is: 'odd' } } },
      { ...thing, id: 'y', facts: { power: { label: 'power', is: 'much' } } },
    ]);
    const [first] = list.rows;
    if (!first) throw new Error('the pump is not there');
    expect(first.fields).toEqual({ kind: 'pump', stands_in: 'Cellar', power: 4 });
    expect(sayFields(list, first)).toBe('kind pump · in Cellar · power 4');
    expect(list.columns.find(({ key }) => key === 'power')?.kind).toBe('text');
    expect([sayCode(list.key, first), sayCode('parts', { code: 'P1', label: 'Bolt' })]).toEqual([
      '',
      'P1',
    ]);
  });

  test('is there for every template', () => {
    const question = { ...newQuestion('lookup', EMPTY, 'Whom'), catalogue: 'our_contacts' };
    const body = { title: 'T', sections: [{ id: 's', title: 'S', questions: [question] }] };
    expect(missingCatalogues(body, new Set())).toEqual([]);
  });
});
