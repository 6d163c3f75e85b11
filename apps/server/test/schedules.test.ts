import { STARTERS, CATALOGUES } from '@ant-trail/demo';
import type { AnswerValue } from '@ant-trail/core/log';
import type { SheetState } from '@ant-trail/core/sheet';
import { SCHEDULES } from '../src/modules/trades/electrical/schedules.ts';
import { drawSchedule } from '../src/paper/schedule.ts';
import { drawn, sheetWith, type SaidAt } from './support/drawn.ts';

const certificate = STARTERS.find(({ key }) => key === 'certificate')?.body;

function device(code: string): AnswerValue {
  const row = CATALOGUES.find(({ key }) => key === 'protective_devices')?.rows.find(
    (each) => each.code === code,
  );
  return {
    catalogue: 'protective_devices',
    row: code,
    label: row?.label ?? '',
    fields: row?.fields ?? {},
  };
}

/** A certificate with one board of so many circuits. */
async function certificateOf(circuits: number): Promise<SheetState> {
  if (!certificate) throw new Error('the certificate is not there');
  const said: SaidAt[] = [
    ['earthing', 'TN-C-S'],
    ['outside_loop', 0.2, 'Ohm'],
    ['supply_voltage', 230, 'V'],
    ['boards/b1', { order: 1, name: 'Board 1' }],
    ['boards/b1/board_place', 'Stair cellar'],
    ['boards/b1/board_loop', 0.22, 'Ohm'],
  ];
  for (let way = 1; way <= circuits; way++) {
    const at = `boards/b1/circuits/c${way}`;
    said.push(
      [at, { order: way, name: String(way) }],
      [`${at}/feeds`, `Room ${way}`],
      [`${at}/use`, 'sockets'],
      [`${at}/device`, device('B32')],
      // The last one trips late: beyond four fifths of 1.37 Ω.
      [`${at}/earth_loop`, way === circuits ? 1.3 : 0.6, 'Ohm'],
    );
  }
  return sheetWith(certificate, said);
}

test('the circuits of a board stand across wide pages, heads on each, none of them torn or lost', async () => {
  const state = await certificateOf(60);
  const { pages, wide } = await drawn((paper) => SCHEDULES.draw(paper, state, {}));
  expect(wide[0]).toBe(false);
  expect(wide.at(-1)).toBe(false);
  expect(wide.slice(1, -1).length).toBeGreaterThan(2);
  expect(wide.slice(1, -1).every(Boolean)).toBe(true);
  for (const page of pages.slice(1, -1)) expect(page).toContain('Loop Zs');
  const text = pages.join(' ');
  for (let way = 1; way <= 60; way++) expect(text).toMatch(new RegExp(`Room ${way}\\b`));
  expect(text).toContain('1.30 Ω up to 1.09');
  expect(text).toContain('Stair cellar');
  // What nobody said has no column.
  expect(text).not.toContain('Insulation');
  expect(text).toContain('page 1 of');
});

test('without boards nothing is drawn, and the page stays as it was', async () => {
  const { pages, wide } = await drawn((paper) =>
    SCHEDULES.draw(paper, { sections: [] } as unknown as SheetState, {}),
  );
  expect(pages).toHaveLength(1);
  expect(wide).toEqual([false]);
});

test('a cell of many words makes its line higher, and the next one begins below it', async () => {
  const long = Array.from({ length: 60 }, (_, i) => `word${i}`).join(' ');
  const { pages } = await drawn((paper) => {
    const before = paper.y;
    drawSchedule(
      paper,
      [
        { head: 'Way', share: 1 },
        { head: 'Words', share: 2 },
      ],
      [
        [{ words: '1' }, { words: long }],
        [{ words: '2' }, { words: 'short', amiss: true }],
      ],
    );
    expect(paper.y).toBeGreaterThan(before + 60);
  });
  expect(pages.join(' ')).toContain('word59');
});
