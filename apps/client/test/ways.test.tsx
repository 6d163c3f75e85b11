import type { Catalogue } from '@ant-trail/core/catalogues';
import type { QuestionState, RowState } from '@ant-trail/core/sheet';
import {
  act,
  cleanup,
  fireEvent,
  renderHook,
  screen,
  waitFor,
  within,
} from '@testing-library/react';
import { CERTIFICATE } from '../../../packages/demo/src/trades/electrical/certificate.ts';
import { CIRCUIT_LISTS } from '../../../packages/demo/src/trades/electrical/lists.ts';
import {
  above,
  firstAt,
  likeIn,
  modelFor,
  onward,
  placesOf,
  standingOf,
} from '@/features/trades/electrical/places.ts';
import { columnsOf, takeIn } from '@/features/trades/electrical/pasted.ts';
import { useGrid } from '@/features/trades/electrical/use-grid.ts';
import { COLLEAGUE, showSheet, type OpenedSheet } from './support/sheet.tsx';

afterEach(cleanup);

const lists = new Map<string, Catalogue | null>(CIRCUIT_LISTS.map((list) => [list.key, list]));
const lookUp = (catalogue: string, code: string) => {
  const row = lists.get(catalogue)?.rows.find((each) => each.code === code);
  if (!row) throw new Error(`there is no ${code}`);
  return { catalogue, row: row.code, label: row.label, fields: row.fields };
};

const WAY = (id: string): string => `boards/b1/circuits/${id}`;

/** A board of three ways, of which the first is wired like this. */
async function withBoard(): Promise<OpenedSheet> {
  const sheet = await showSheet(CERTIFICATE.body, {
    kept: (store) =>
      store.catalogues.bulkPut(
        CIRCUIT_LISTS.map((list, index) => ({
          ...list,
          id: `c${index}`,
          rows: [...list.rows],
        })) as never,
      ),
  });
  await act(async () => {
    const refused = await sheet.session.writeAll(
      (
        [
          ['earthing', 'TN-C-S'],
          ['boards/b1', { order: 1, name: 'Board 1' }],
          ...['c1', 'c2', 'c3'].map((id, at) => [
            WAY(id),
            { order: at + 1, name: `Way ${at + 1}` },
          ]),
          [`${WAY('c1')}/feeds`, 'Lights, hall'],
          [`${WAY('c1')}/use`, 'lighting'],
          [`${WAY('c1')}/device`, lookUp('protective_devices', 'B6')],
          [`${WAY('c1')}/cable`, lookUp('cables', '1.5/1')],
          [`${WAY('c1')}/laid`, 'C'],
          [`${WAY('c1')}/wired`, 'radial'],
        ] as const
      ).map(([path, value]) => ({ path: path as string, value: value as never, kind: 'answer' })),
    );
    expect(refused).toBeNull();
    for (const [key, value, unit] of [
      ['conductors', 0.42, 'Ohm'],
      ['insulation', 200, 'MOhm'],
    ] as const)
      await sheet.session.write(`${WAY('c1')}/${key}`, 'answer', value, { unit });
    await sheet.session.write(`${WAY('c1')}/polarity`, 'answer', 'yes');
  });
  await sheet.settled();
  return sheet;
}

const boardOf = ({ at }: OpenedSheet): RowState => {
  const [board] = at('boards')?.rows ?? [];
  if (!board) throw new Error('there is no board');
  return board;
};

describe('the ways of a board', () => {
  test('one goes from open value to open value, then to the next way', async () => {
    const places = placesOf(boardOf(await withBoard()));
    expect(places.map(({ name }) => name)).toEqual(['Board 1', '1', '2', '3']);
    const [, first, second] = places;
    if (!first || !second) throw new Error('there are no ways');
    expect(firstAt(first)).toEqual({ place: WAY('c1'), key: 'earth_loop' });
    // Nothing else is open there.
    expect(onward(places, { place: WAY('c1'), key: 'earth_loop' })).toEqual({
      place: WAY('c2'),
      key: 'use',
    });
    // What was left out before comes last.
    expect(onward(places, { place: WAY('c1'), key: 'trip_once' })?.key).toBe('earth_loop');
    expect(onward(places, { place: WAY('c3'), key: 'feeds' })?.key).toBe('use');
    expect(standingOf(first)).toBe('under way');
    expect(standingOf(second)).toBe('planned');
  });

  test('a way takes over what it shares with another like it, never what was measured', async () => {
    const places = placesOf(boardOf(await withBoard()));
    const [board, first, second, third] = places;
    if (!board || !first || !second || !third) throw new Error('there are no ways');
    expect(modelFor(places, third)?.name).toBe('1');
    expect(modelFor(places, first)).toBeNull();
    expect(modelFor(places, board)).toBeNull();
    expect(likeIn(first, second.path).map(({ path }) => path.split('/').at(-1))).toEqual([
      ...['use', 'device', 'cable', 'laid', 'wired'],
    ]);
    expect(above(places, { place: second.path, key: 'insulation' })?.answer?.value).toBe(200);
    expect(above(places, { place: first.path, key: 'insulation' })).toBeNull();
  });
});

describe('cells of a spreadsheet', () => {
  const into = (sheet: OpenedSheet) => {
    const group = sheet.at('boards/b1/circuits');
    if (!group) throw new Error('there are no circuits');
    let made = 0;
    return { group, columns: columnsOf(group), lists, newId: () => `n${++made}` };
  };
  const at = (sheet: OpenedSheet, key: string): number =>
    into(sheet).columns.findIndex((column) => column.key === key);

  test('go in where they belong, one by one, and below the last way new ones begin', async () => {
    const sheet = await withBoard();
    const device = at(sheet, 'device');
    const taken = takeIn(
      [
        ['B16', 'A-30'],
        ['B99', ''],
        ['C32', 'A-30'],
      ],
      { row: 1, column: device },
      into(sheet),
    );
    expect(taken.said.map(({ path }) => path)).toEqual([
      `${WAY('c2')}/device`,
      `${WAY('c2')}/rcd`,
      'boards/b1/circuits/n1',
      'boards/b1/circuits/n1/device',
      'boards/b1/circuits/n1/rcd',
    ]);
    expect([...taken.refused]).toEqual([
      [
        `${WAY('c3')}/device`,
        { words: 'B99', why: '“B99” is not in Protective devices. Write a code such as B6.' },
      ],
    ]);
    await act(async () => {
      await sheet.session.writeAll(taken.said.map((said) => ({ ...said, kind: 'answer' })));
    });
    expect(
      boardOf(sheet).questions.find(({ path }) => path.endsWith('circuits'))?.rows.length,
    ).toBe(4);
    // And out again, as it was.
    await act(async () => {
      await sheet.session.writeAll(
        taken.before.map((said) => ({ ...said, kind: said.value === null ? 'clear' : 'answer' })),
      );
    });
    expect(
      boardOf(sheet).questions.find(({ path }) => path.endsWith('circuits'))?.rows.length,
    ).toBe(3);
    expect(sheet.at(`${WAY('c2')}/device`)?.answer).toBeNull();
  });

  test('what stands there already is not said again', async () => {
    const sheet = await withBoard();
    const taken = takeIn(
      [['1', 'Lights, hall', 'Lighting', 'B6']],
      { row: 0, column: 0 },
      into(sheet),
    );
    expect(taken.said).toEqual([]);
    expect(taken.refused.size).toBe(0);
  });

  test('more columns than there are, what is worked out, and empty lines below do nothing', async () => {
    const sheet = await withBoard();
    const { columns } = into(sheet);
    const drop = at(sheet, 'drop');
    const taken = takeIn([['9', 'x', 'y'], ['']], { row: 2, column: drop }, into(sheet));
    expect(columns.length - 1).toBe(drop);
    expect(taken.said).toEqual([]);
    expect(takeIn([['', ''], ['']], { row: 3, column: 0 }, into(sheet)).said).toEqual([]);
  });
});

describe('a table that has just been opened', () => {
  test('takes in what is pasted before its catalogues are read, each after what came before it', async () => {
    const sheet = await withBoard();
    let arrive = (): void => undefined;
    const arrived = new Promise<void>((resolve) => (arrive = resolve));
    const { result } = renderHook(() =>
      useGrid({
        ...{ group: sheet.at('boards/b1/circuits') as QuestionState, locked: false },
        listOf: async (key) => {
          await arrived;
          if (key === 'cables') throw new Error('the store is closed');
          return lists.get(key) ?? null;
        },
        write: (said) => sheet.session.writeAll(said.map((each) => ({ ...each, kind: 'answer' }))),
      }),
    );
    const device = result.current.columns.findIndex(({ key }) => key === 'device');
    act(() => result.current.goTo({ row: 1, column: device }));
    act(() => result.current.put([['B16', 'A-30', '6/2.5']]));
    act(() => result.current.put([['C32']]));
    expect(sheet.at(`${WAY('c2')}/device`)?.answer).toBeNull();
    await act(async () => {
      arrive();
      await sheet.settled();
    });
    await waitFor(() =>
      expect(sheet.at(`${WAY('c2')}/device`)?.answer?.value).toMatchObject({ row: 'C32' }),
    );
    expect(sheet.at(`${WAY('c2')}/rcd`)?.answer?.value).toMatchObject({ row: 'A-30' });
    // The one that could not be read is said by its cell, and held up nothing.
    expect([...result.current.refused.keys()]).toEqual([`${WAY('c2')}/cable`]);
  });
});

describe('on the phone', () => {
  // Looking for roles goes through every style of the page: words and labels are found at once.
  const press = (words: string, group = 'Figures') =>
    fireEvent.click(within(screen.getByLabelText(group)).getByText(words));
  const way = (words: string) =>
    fireEvent.click(within(screen.getByLabelText('Ways')).getByText(words));
  const value = () =>
    within(screen.getByLabelText(/^Values of/)).getByLabelText<HTMLInputElement>(/, in /);

  async function openWays(): Promise<OpenedSheet> {
    const sheet = await withBoard();
    fireEvent.click(await screen.findByLabelText('Open Board 1'));
    return sheet;
  }

  test('a value is typed on the pad, kept by going on, and the next open one comes', async () => {
    const sheet = await openWays();
    way('Lights, hall');
    expect(value().getAttribute('aria-label')).toBe('Loop Zs, in Ω');
    for (const key of ['.', '9', '⌫', '5']) press(key);
    expect(value().value).toBe('.5');
    press('next value');
    await sheet.settled();
    expect(sheet.at(`${WAY('c1')}/earth_loop`)?.answer).toMatchObject({ value: 0.5, unit: 'Ohm' });
    expect(screen.getByLabelText('Enter Use')).toBeTruthy();
  });

  test('more than the meter shows begins anew, and is never put before what stood there', async () => {
    const sheet = await openWays();
    way('Lights, hall');
    const insulation = () => within(screen.getByLabelText(/^Values of/)).getByText(/^Insulation/);
    fireEvent.click(insulation());
    for (const key of ['3', '1', '0', 'next value']) press(key);
    fireEvent.click(insulation());
    for (const key of ['>', '9', '9']) press(key);
    expect(value().value).toBe('> 99');
    // A second press takes the sign away again, a third brings it back.
    press('>');
    expect(value().value).toBe('99');
    for (const key of ['>', '9', 'next value']) press(key);
    await sheet.settled();
    expect(sheet.at(`${WAY('c1')}/insulation`)?.answer).toMatchObject({
      ...{ value: { offScale: 'above', limit: 999 }, unit: 'MOhm' },
    });
  });

  test('what is no number is said, and holds whoever wants to go on', async () => {
    const sheet = await openWays();
    way('Lights, hall');
    for (const key of ['1', '.', '2', '.', '3', 'next value']) press(key);
    expect(screen.getByText(/one decimal point/)).toBeTruthy();
    expect(value().getAttribute('aria-label')).toBe('Loop Zs, in Ω');
    await sheet.settled();
    expect(sheet.at(`${WAY('c1')}/earth_loop`)?.answer).toBeNull();
  });

  test('one key takes a way over like another, one the value above', async () => {
    const sheet = await openWays();
    way('2');
    fireEvent.click(screen.getByText('Like way 1'));
    await sheet.settled();
    expect(sheet.at(`${WAY('c2')}/cable`)?.answer?.value).toMatchObject({ row: '1.5/1' });
    expect(sheet.at(`${WAY('c2')}/conductors`)?.answer).toBeNull();
    expect(value().getAttribute('aria-label')).toBe('R1 + R2, in Ω');
    press('as above');
    await sheet.settled();
    expect(sheet.at(`${WAY('c2')}/conductors`)?.answer).toMatchObject({ value: 0.42 });
    expect(value().getAttribute('aria-label')).toBe('Insulation, 500 V, in MΩ');
  });

  test('keys of a keyboard do as the pad does, and the way back keeps what stands there', async () => {
    const sheet = await openWays();
    way('Lights, hall');
    fireEvent.change(value(), { target: { value: '0.6' } });
    fireEvent.keyDown(value(), { key: 'ArrowUp' });
    await sheet.settled();
    expect(sheet.at(`${WAY('c1')}/earth_loop`)?.answer).toMatchObject({ value: 0.6 });
    fireEvent.click(screen.getByText('‹ Sheet'));
    await sheet.settled();
    expect(screen.queryByLabelText('Ways')).toBeNull();
  });

  test('what is typed is kept as the page is put out of sight, and overrides nobody unseen', async () => {
    const sheet = await openWays();
    way('Lights, hall');
    press('.');
    press('7');
    // A colleague measures the same meanwhile, and their phone sends it.
    const [known] = await sheet.entries();
    if (!known) throw new Error('nothing is kept');
    const theirs = {
      ...{ ...known, id: '0190ffff-0000-7000-8000-000000000001', by: COLLEAGUE, device: COLLEAGUE },
      ...{ path: `${WAY('c1')}/earth_loop`, kind: 'answer' as const, value: 1, unit: 'kOhm' },
      ...{ seen: [], prev: null },
    };
    await act(async () => {
      await sheet.store.entries.put({
        ...((await sheet.store.entries.toCollection().first()) as never as object),
        ...{ id: theirs.id, body: theirs, sheet: theirs.sheet },
      } as never);
      await new Promise((resolve) => setTimeout(resolve, 60));
    });
    fireEvent(document, new Event('visibilitychange'));
    await sheet.settled();
    const at = sheet.at(`${WAY('c1')}/earth_loop`);
    expect(at?.disagreement.map(({ value, unit }) => [value, unit]).sort()).toEqual([
      [0.7, 'Ohm'],
      [1, 'kOhm'],
    ]);
  });

  test('what was sought in a row opens its way', async () => {
    const sheet = await withBoard();
    act(() => sheet.session.seek(`${WAY('c3')}/use`));
    await screen.findByText('Way 3');
    expect(screen.getByLabelText('Enter Use')).toBeTruthy();
  });

  test('one below the other is a press away', async () => {
    await withBoard();
    fireEvent.click(await screen.findByText('One below the other'));
    expect(screen.getByText('Board 1')).toBeTruthy();
    expect(screen.queryByLabelText('Open Board 1')).toBeNull();
    // A second tap on the same spot is no second press: a hand comes back a moment later.
    await waitFor(() => {
      const back = screen.queryByText('At a glance');
      if (back) fireEvent.click(back);
      expect(screen.getByLabelText('Open Board 1')).toBeTruthy();
    });
  });
});
