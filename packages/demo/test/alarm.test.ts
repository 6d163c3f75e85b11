import type { AnswerValue, Entry } from '@ant-trail/core/log';
import { fold, planSheet, prepareFor, problemsOf, questionAtPath } from '@ant-trail/core/sheet';
import { STARTERS } from '../src/index.ts';

const body = (() => {
  const starter = STARTERS.find(({ key }) => key === 'alarm');
  if (!starter) throw new Error('the inspection is not there');
  return starter.body;
})();
beforeAll(() => prepareFor(body));

const UNITS: Readonly<Record<string, string>> = {
  ...{ standby: 'A', alarm: 'A', battery: 'A.h', battery_measured: 'A.h' },
};

const stand = (said: Readonly<Record<string, AnswerValue>>) =>
  fold(
    planSheet(body),
    Object.entries(said).map(([path, value], index): Entry => ({
      id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
      ...(UNITS[path] ? { unit: UNITS[path] } : path.endsWith('/took') ? { unit: 's' } : {}),
      at: '2031-04-05T08:00:00.000Z',
    })),
  );

const PANEL = { standby: 0.25, alarm: 1.8, battery: 17 };

test('it has no mistake', () => {
  expect(problemsOf(body)).toEqual([]);
});

test('a battery that has aged is told before it fails', () => {
  const at = (said: Readonly<Record<string, AnswerValue>>, path: string) =>
    questionAtPath(stand({ ...PANEL, ...said }), path);
  expect(at({}, 'battery_left')?.calculated).toBeNull();
  expect(at({ battery_measured: 16 }, 'battery_left')?.alert).toBeNull();
  // 12.1 of 17 Ah: 71 %, below the four fifths at which one is changed (common practice, no source).
  expect(at({ battery_measured: 12.1 }, 'battery_left')?.alert?.verdict).toBe('below');
  expect(at({ battery_measured: 12.1 }, 'lasts')?.alert).toBeNull();
  expect(at({ battery_measured: 6 }, 'lasts')?.alert?.verdict).toBe('below');
});

test('nobody finishes while something is still switched off', () => {
  const off = {
    'switched_off/o1': { order: 1, name: 'Part 1' },
    'switched_off/o1/off_at': '07:40',
  };
  const loose = (said: Readonly<Record<string, AnswerValue>>) =>
    stand(said).looseEnds.filter(({ key }) => key.startsWith('switched_off/'));
  expect(loose(off)).toHaveLength(1);
  expect(loose({ ...off, 'switched_off/o1/on_again': 'no' })[0]?.words).toMatch(/on again before/);
  expect(loose({ ...off, 'switched_off/o1/on_again': 'yes' })).toEqual([]);
});

test('a share of the devices is enough, and what is left of it wants a reason', () => {
  const devices = Object.fromEntries<AnswerValue>(
    [1, 2, 3, 4].flatMap((at): [string, AnswerValue][] => [
      [`devices/r${at}`, { order: at, name: `Device ${at}` }],
      [`devices/r${at}/device_kind`, 'call'],
      [`devices/r${at}/tried_on`, `2031-0${at}-01`],
    ]),
  );
  const open = (said: Readonly<Record<string, AnswerValue>>) => {
    const state = stand({ inspected: '2031-04-05', visits: 'twice', ...devices, ...said });
    return {
      due: questionAtPath(state, 'due_left')?.calculated,
      ends: state.looseEnds.map(({ key }) => key).filter((key) => /^devices|why/.test(key)),
    };
  };
  expect(open({})).toEqual({ due: 2, ends: ['why_left'] });
  expect(open({ 'devices/r1/tried': 'done' })).toEqual({ due: 1, ends: ['why_left'] });
  expect(open({ 'devices/r1/tried': 'done', why_left: 'Locked' })).toEqual({ due: 1, ends: [] });
  expect(open({ 'devices/r1/tried': 'done', 'devices/r2/tried': 'done' })).toEqual({
    ...{ due: 0, ends: [] },
  });
  // What did not answer is a fault, due or not.
  const silent = stand({ ...devices, 'devices/r4/tried': 'not' });
  expect(silent.findings.map(({ severity }) => severity)).toEqual([3]);
});

// NFPA 72 (values from memory): horns within 10 s, the watch called within 90 s.
test('a signal that comes late is a grave fault', () => {
  const late = (row: string, took: number) =>
    questionAtPath(
      stand({ [`signals/${row}/followed`]: 'done', [`signals/${row}/took`]: took }),
      `signals/${row}/took`,
    )?.findings[0]?.severity;
  expect([late('s1', 9.9), late('s1', 10.1), late('s2', 89), late('s2', 91)]).toEqual([
    ...[undefined, 4, undefined, 4],
  ]);
});
