import type { AnswerValue } from '@ant-trail/core/log';
import { STARTERS } from '@ant-trail/demo';
import sharp from 'sharp';
import { DEVICE_TABLE } from '../src/modules/trades/alarm/device-table.ts';
import { drawn, sheetWith, type SaidAt } from './support/drawn.ts';

const SHA = 'ab'.repeat(32);

/** Four devices of which two are due: the first passed, the second is locked, the last did not answer. */
async function inspected(plan: readonly SaidAt[] = []) {
  const body = STARTERS.find(({ key }) => key === 'alarm')?.body;
  if (!body) throw new Error('the inspection is not there');
  const devices = [1, 2, 3, 4].flatMap((at): SaidAt[] => [
    [`devices/r${at}`, { order: at, name: `Device ${at}` }],
    [`devices/r${at}/device_kind`, 'call'],
    [`devices/r${at}/tried_on`, `2031-0${at}-01`],
    [`devices/r${at}/mark_x`, at * 20, '%'],
    [`devices/r${at}/mark_y`, 50, '%'],
  ]);
  return sheetWith(body, [
    ['inspected', '2031-04-05'],
    ['visits', 'twice'],
    ...devices,
    ['devices/r1/tried', 'done'],
    ['devices/r4/tried', 'not'],
    ['why_left', 'The loft was locked'],
    ...plan,
  ]);
}

test('the report says what was due, what of it did not pass, and what comes later', async () => {
  const state = await inspected();
  const { pages, pictures } = await drawn((paper) => DEVICE_TABLE.draw(paper, state, {}));
  const text = pages.join(' ');
  expect(pictures).toBe(0);
  expect(text).toContain('2 of 4 devices were due at this visit');
  expect(text).toContain('2 were tried');
  expect(text).toContain('1 is due at a later one');
  expect(text).toContain('Not passed: 2 of 4');
  expect(text).toContain('Device 2: The loft was locked');
  // It was not due, and did not answer: that is said all the same.
  expect(text).toContain('Device 4: it did not answer');
  expect(text).not.toContain('Device 3: ');
  // Where it hangs is no column.
  expect(text).not.toContain('from the left');
});

test('the plan stands on its picture, with the numbers of the devices', async () => {
  const jpeg = await sharp({
    create: { width: 40, height: 30, channels: 3, background: '#88aa88' },
  })
    .jpeg()
    .toBuffer();
  const plan: AnswerValue = {
    height: 0.7,
    shapes: [{ kind: 'line', from: [0, 0], to: [1, 0.7] }],
    under: {
      ...{ sha256: SHA, bytes: jpeg.length, type: 'image/jpeg', width: 40, height: 30 },
      comment: '',
      takenAt: '2031-04-05T08:00:00.000Z',
    },
  };
  const state = await inspected([
    ['plans/w1', { order: 1, name: 'Ground floor' }],
    ['plans/w1/floor_plan', plan],
  ]);
  const drawnOnIt = await drawn((paper) => DEVICE_TABLE.draw(paper, state, { [SHA]: jpeg }));
  expect(drawnOnIt.pictures).toBe(1);
  // A picture that is not there leaves the drawing.
  const without = await drawn((paper) => DEVICE_TABLE.draw(paper, state, {}));
  expect(without.pictures).toBe(0);
  expect(without.pages.join(' ')).toContain('Device 4');
});

test('each floor stands with its own devices; a floor without any is left out', async () => {
  const floor = (row: string, name: string): SaidAt[] => [
    [`plans/${row}`, { order: Number(row.slice(1)), name }],
    [`plans/${row}/floor_plan`, { height: 0.3, shapes: [] }],
  ];
  const state = await inspected([
    ...[...floor('w1', 'Cellar'), ...floor('w2', 'Loft'), ...floor('w3', 'Tower')],
    ...[1, 2, 3].map((at): SaidAt => [`devices/r${at}/mark_on`, at === 3 ? 'Loft' : 'Cellar']),
  ]);
  const { pages } = await drawn((paper) => DEVICE_TABLE.draw(paper, state, {}));
  const text = pages.join(' ');
  expect(text).toMatch(/Cellar.*Loft/s);
  expect(text).not.toContain('Tower');
});
