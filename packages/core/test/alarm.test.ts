import fc from 'fast-check';
import { linearRegression, linearRegressionLine } from 'simple-statistics';
import {
  answersToCarry,
  planSheet,
  prepareFor,
  fold,
  type TemplateBody,
} from '../src/sheet/index.ts';
import type { AnswerValue, Entry } from '../src/log/index.ts';
import {
  batteryFails,
  batteryLeft,
  devicesDue,
  dueAtVisit,
  standbyCapacity,
  standbyHours,
} from '../src/trades/alarm/index.ts';
import { OVER_DEVICES } from '../src/trades/alarm/over-devices.ts';

// NFPA 72, 24 h of standby and 5 min of alarm with a fifth to spare (from memory), by hand:
// (0.25 × 24 + 1.8 × 5/60) × 1.2 = 7.38 Ah.
test('what a battery must hold, and how long it lasts', () => {
  expect(standbyCapacity(0.25, 1.8)).toBeCloseTo(7.38, 9);
  expect(standbyHours(7.38, 0.25, 1.8)).toBeCloseTo(24, 9);
  // 17 Ah measured at 12.1: (12.1 / 1.2 − 0.15) / 0.25 = 39.73 h.
  expect(standbyHours(12.1, 0.25, 1.8)).toBeCloseTo(39.7333, 3);
  expect(standbyHours(0.1, 0.25, 2)).toBe(0);
  expect(batteryLeft(12.1, 17)).toBeCloseTo(71.18, 2);
});

test('hours are the capacity the other way round, and more capacity never lasts less', () => {
  const amps = fc.double({ min: 0.001, max: 20, noNaN: true });
  fc.assert(
    fc.property(amps, amps, (standby, alarm) => {
      expect(standbyHours(standbyCapacity(standby, alarm), standby, alarm)).toBeCloseTo(24, 6);
    }),
  );
  fc.assert(
    fc.property(amps, amps, amps, amps, (capacity, more, standby, alarm) => {
      expect(standbyHours(capacity + more, standby, alarm)).toBeGreaterThanOrEqual(
        standbyHours(capacity, standby, alarm),
      );
    }),
  );
});

test('what no battery has is refused, and says what would be right', () => {
  expect(() => standbyHours(-1, 1, 1)).toThrow('0 Ah or more');
  expect(() => standbyHours(7, 0, 1)).toThrow('more than 0 A');
  expect(() => standbyHours(7, 1, Number.NaN)).toThrow('0 A or more');
  expect(() => batteryLeft(7, 0)).toThrow('more than 0 Ah');
  expect(() => batteryLeft(-7, 7)).toThrow('0 Ah or more');
});

test('devices are counted as they are tried, and what is still off is known', () => {
  const { run } = OVER_DEVICES;
  expect(run({})).toEqual({ stillOff: 0 });
  const devices = [{ tried: 'done' }, { tried: 'not' }, { zone: 'East' }, null, 'x'];
  expect(run({ devices, switched_off: [{ on_again: 'yes' }, { on_again: 'no' }, {}] })).toEqual({
    ...{ devicesTried: 2, devicesLeft: 1, stillOff: 2 },
    ...{ devicesDue: 3, dueLeft: 1 },
    triedShare: (2 / 3) * 100,
  });
});

// Eight devices in four visits a year, by hand: two at each. Common practice, no source.
test('at each visit of a year a share is due, those tried longest ago first', () => {
  const last = ['2030-04-01', null, '2030-01-10', '2030-01-10', '2030-04-01', '2030-07-01', null];
  const devices = [...last, '2030-07-01'].map((day) => ({ last: day }));
  const due = (visits: number, day: string | null) => [...dueAtVisit(devices, visits, day)].sort();
  expect(due(4, null)).toEqual([1, 6]);
  // Those of January would be more than a year old in January after: a quarter before it they are not.
  expect(due(4, '2030-10-01')).toEqual([1, 6]);
  // A quarter after 15 October is past 10 January.
  expect(due(4, '2030-10-15')).toEqual([1, 2, 3, 6]);
  expect(due(1, '2030-10-01')).toHaveLength(8);
  expect(() => dueAtVisit(devices, 0, null)).toThrow('1 to 52');
  expect(() => dueAtVisit(devices, 1.5, null)).toThrow('1 to 52');
});

test('visit by visit every device is tried within the year, whatever it began with', () => {
  const day = (number: number): string =>
    new Date(Date.UTC(2030, 0, 1) + Math.floor(number) * 86_400_000).toISOString().slice(0, 10);
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.integer({ min: -365, max: -1 })), { minLength: 1, maxLength: 60 }),
      fc.integer({ min: 1, max: 12 }),
      (ages, visits) => {
        const last: (number | null)[] = [...ages];
        for (let visit = 0; visit <= 2 * visits; visit++) {
          const today = Math.floor((visit * 365) / visits);
          const due = dueAtVisit(
            last.map((each) => ({ last: each === null ? null : day(each) })),
            ...([visits, day(today)] as const),
          );
          expect(due.size).toBeGreaterThanOrEqual(Math.ceil(last.length / visits));
          for (const at of due) last[at] = today;
          // Nobody is left out for more than a year; a day for visits that fall between days.
          for (const each of last) expect(today - (each ?? today - 999)).toBeLessThanOrEqual(366);
        }
      },
    ),
  );
});

test('what is tried at the visit moves nothing of what is due at it', () => {
  const devices = [{ tried_on: '2030-03-01' }, {}, { tried_on: '2029-08-20', tried: 'done' }];
  const given = { visits: 'quarter', inspected: '2030-06-01', devices };
  expect([...devicesDue(given)].sort()).toEqual([1, 2]);
  const tried = { ...given, devices: devices.map((each) => ({ ...each, tried: 'done' })) };
  expect([...devicesDue(tried)].sort()).toEqual([1, 2]);
  // A word nobody knows counts as once a year.
  expect(devicesDue({ ...given, visits: 'often' }).size).toBe(3);
});

describe('the next visit', () => {
  const BODY = {
    ...{ title: 'T', kit: 'alarm' },
    sections: [
      {
        ...{ id: 's', title: 'S' },
        questions: [
          { kind: 'date', key: 'inspected', label: 'Day', required: true },
          {
            ...{ kind: 'rows', key: 'devices', label: 'Devices', each: 'device', required: false },
            questions: [
              { kind: 'performed', key: 'tried', label: 'Tried', required: false },
              { kind: 'date', key: 'tried_on', label: 'Last', required: false, carries: true },
            ],
          },
        ],
      },
    ],
  } satisfies TemplateBody;
  const carriedOf = (said: readonly (readonly [string, AnswerValue])[]) => {
    const state = fold(
      planSheet(BODY),
      said.map(([path, value], index): Entry => ({
        id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
        at: '2030-04-05T08:00:00.000Z',
      })),
    );
    return Object.fromEntries(answersToCarry(state, BODY).map(({ path, value }) => [path, value]));
  };
  beforeAll(() => prepareFor(BODY));

  test('is told when each device was tried last, whether at this one or before', () => {
    const rows = ['one', 'two', 'three'].map(
      (name, order) => [`devices/r${order}`, { order, name }] as const,
    );
    const before = [['devices/r0/tried_on', '2029-11-02'] as const];
    const told = carriedOf([
      ...rows,
      ...before,
      ['inspected', '2030-04-05'],
      ['devices/r1/tried', 'done'],
      ['devices/r2/tried', 'not'],
    ]);
    expect(told).toEqual({
      ...Object.fromEntries(rows),
      'devices/r0/tried_on': '2029-11-02',
      'devices/r1/tried_on': '2030-04-05',
    });
    // Without a day nobody can say when it was.
    expect(carriedOf([...rows, ...before, ['devices/r0/tried', 'done']])).toMatchObject({
      'devices/r0/tried_on': '2029-11-02',
    });
    expect(
      carriedOf([...rows, ...before, ['inspected', '2030-04-05'], ['devices/r0/tried', 'done']]),
    ).toMatchObject({ 'devices/r0/tried_on': '2030-04-05' });
  });
});

// The line is the one of simple-statistics; 80 % of 17 Ah is 13.6 Ah.
test('a battery fails where its line crosses four fifths', () => {
  const year = 365 * 86_400_000;
  const readings = [17.1, 16.4, 15.8, 14.9].map((value, at) => ({ at: at * year, value }));
  const line = linearRegressionLine(linearRegression(readings.map(({ at, value }) => [at, value])));
  const fails = batteryFails(readings, 17) ?? 0;
  expect(fails).toBeGreaterThan(3 * year);
  expect(line(fails)).toBeCloseTo(13.6, 6);
  expect(batteryFails(readings.slice(0, 2), 17)).toBeNull();
  expect(
    batteryFails(
      readings.map((each) => ({ ...each, value: 16 })),
      17,
    ),
  ).toBeNull();
  expect(batteryFails(readings, 0)).toBeNull();
  // It is below already: now, not in the past.
  expect(batteryFails(readings, 25)).toBe(3 * year);
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ at: fc.nat(4e12), value: fc.double({ min: 0, max: 200, noNaN: true }) }),
      ),
      fc.double({ min: 0.1, max: 200, noNaN: true }),
      (some, rated) => {
        const then = batteryFails(some, rated);
        if (then !== null)
          expect(then).toBeGreaterThanOrEqual(Math.max(...some.map(({ at }) => at)));
      },
    ),
  );
});
