import fc from 'fast-check';
import type { Catalogue } from '../src/catalogues/index.ts';
import { isForCell, readCell, writeCell } from '../src/exchange/index.ts';
import { OpenSheet, planSheet, questionAtPath, type Question } from '../src/sheet/index.ts';
import { entryOn } from './support.ts';

const number = {
  ...{ kind: 'number', key: 'loop_z', label: 'Loop', unit: 'Ohm', decimals: 2, required: true },
  alsoIn: ['kOhm'],
} as unknown as Question;
const laid = {
  ...{ kind: 'choice', key: 'laid', label: 'Laid', required: true },
  options: [
    { key: 'C', label: 'C, clipped direct' },
    { key: 'A', label: 'A, conduit' },
    { key: '101', label: '101, thick insulation' },
    { key: '102', label: '102, at its face' },
  ],
} as unknown as Question;
const polarity = {
  kind: 'yesNo',
  key: 'polarity',
  label: 'Right?',
  required: true,
} as unknown as Question;
const feeds = {
  kind: 'text',
  key: 'feeds',
  label: 'Feeds',
  required: false,
} as unknown as Question;
const device = {
  ...{ kind: 'lookup', key: 'device', label: 'Device', required: true },
  catalogue: 'devices',
} as unknown as Question;
const list: Catalogue = {
  ...{ key: 'devices', name: 'Devices', columns: [] },
  rows: ['B6', 'B16', 'C16'].map((code) => ({ code, label: `${code} breaker`, fields: { code } })),
};

test.each([
  [number, '0.42', { value: 0.42, unit: 'Ohm' }],
  [number, ' 0,42 ', { value: 0.42, unit: 'Ohm' }],
  [number, '0.42 Ω', { value: 0.42, unit: 'Ohm' }],
  [number, '', { value: null }],
  [number, '–', { value: null }],
  [laid, 'C', { value: 'C' }],
  [
    laid,
    'clipped',
    { problem: expect.stringContaining('Write one of: C, clipped direct;') as string },
  ],
  [laid, '101', { value: '101' }],
  [laid, '10', { problem: expect.stringContaining('Write one of') as string }],
  [polarity, 'yes', { value: 'yes' }],
  [polarity, 'Y', { value: 'yes' }],
  [polarity, 'maybe', { problem: expect.stringContaining('Write one of') as string }],
  [feeds, 'Pump, “east”', { value: 'Pump, “east”' }],
  [number, 'a lot', { problem: 'Write a number, such as 12.5.' }],
])('%j reads “%s” as %j', (question, words, expected) => {
  expect(readCell(question, words, null)).toEqual(expected);
});

test('a row of a catalogue by code, by name, or by what only it begins with', () => {
  const code = (words: string) => {
    const read = readCell(device, words, list);
    return 'problem' in read ? read.problem : (read.value as { row: string }).row;
  };
  expect([code('b16'), code('C16 breaker'), code('C1')]).toEqual(['B16', 'C16', 'C16']);
  expect(code('B')).toBe('More than one in Devices begins like that. Write its code, such as B6.');
  expect(code('D40')).toBe('“D40” is not in Devices. Write a code such as B6.');
  expect(readCell(device, 'B6', null)).toEqual({
    problem: 'The catalogue is not here yet. It comes with the next sync.',
  });
  expect(readCell({ ...device, somethingElse: true } as Question, 'an old fuse', list)).toEqual({
    value: { catalogue: 'devices', row: '', label: 'an old fuse', fields: {} },
  });
});

test('what can’t be written in a cell says so', () => {
  const photo = { kind: 'photo', key: 'p', label: 'Photo', required: false } as unknown as Question;
  expect(isForCell(photo)).toBe(false);
  expect(readCell(photo, 'x', null)).toEqual({ problem: 'This can’t be written in a table.' });
});

describe('what stands in a sheet', () => {
  const questions = [number, laid, polarity, feeds, device];
  const plan = planSheet({ title: 'T', sections: [{ id: 's', title: 'S', questions }] });
  const cellOf = (key: string, value: never, unit?: string) => {
    const open = new OpenSheet(plan);
    const entry = entryOn(open, key, 'answer', value);
    const found = questionAtPath(open.add([unit ? { ...entry, unit } : entry]), key);
    return found ? writeCell(found) : null;
  };

  test('is written so that it reads back as the same', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (given) => {
        const value = Number(given.toFixed(2)) + 0;
        const words = cellOf('loop_z', value as never, 'Ohm') ?? '';
        expect(readCell(number, words, null)).toEqual({ value, unit: 'Ohm' });
      }),
    );
    for (const key of ['C', 'A', '101', '102'])
      expect(readCell(laid, cellOf('laid', key as never) ?? '', null)).toEqual({ value: key });
    const value = { catalogue: 'devices', row: 'B6', label: 'B6 breaker', fields: { code: 'B6' } };
    expect(readCell(device, cellOf('device', value as never) ?? '', list)).toEqual({ value });
  });

  test('and nothing where nothing is said', () => {
    const found = questionAtPath(new OpenSheet(plan).state, 'loop_z');
    expect(found && writeCell(found)).toBe('');
  });
});

test('no words ever make it throw', () => {
  fc.assert(
    fc.property(
      fc.string(),
      fc.constantFrom(number, laid, polarity, feeds, device),
      (words, question) => {
        const read = readCell(question, words, list);
        expect('problem' in read ? read.problem.length : 1).toBeGreaterThan(0);
      },
    ),
  );
});
