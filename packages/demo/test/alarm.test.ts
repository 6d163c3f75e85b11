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
      ...(UNITS[path] ? { unit: UNITS[path] } : {}),
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
