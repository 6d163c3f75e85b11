import fc from 'fast-check';
import { demandsTogether } from '../src/accounts/index.ts';
import { addDays, weekdayOf } from '../src/calendar/index.ts';
import { shortfalls, type Worker } from '../src/planning/index.ts';

const NOBODY: Worker = { skills: [], credentials: [], hours: [], absences: [] };
const TUESDAY = '2031-04-08';
const at = (start: number, minutes = 60, day = TUESDAY) => ({ day, start, minutes });

test('the day of the week is that of ISO 8601, over ends of years and leap days', () => {
  // Source: ISO 8601 numbers Monday 1 to Sunday 7. 2000-01-01 was a Saturday, 2024-02-29 a Thursday.
  expect(weekdayOf('2000-01-01')).toBe(6);
  expect(weekdayOf('2024-02-29')).toBe(4);
  expect(weekdayOf('2030-12-31')).toBe(2);
  expect(weekdayOf('1969-07-20')).toBe(7);
});

describe('what is demanded', () => {
  test('is each name once, however it is written', () => {
    expect(
      demandsTogether([
        { credentials: ['Ropeway licence', ' ropeway LICENCE '] },
        { skills: ['Abseiling'], credentials: ['Electrical licence'] },
        {},
      ]),
    ).toEqual({
      credentials: ['ropeway LICENCE', 'Electrical licence'],
      skills: ['Abseiling'],
    });
  });

  test('a credential counts on its last day, and not on the next', () => {
    const worker = { ...NOBODY, credentials: [{ kind: 'Ropeway licence', expiresOn: TUESDAY }] };
    const demands = { credentials: ['ropeway licence'] };
    expect(shortfalls(worker, demands, at(540))).toEqual([]);
    expect(shortfalls(worker, demands, at(540, 60, addDays(TUESDAY, 1)))).toEqual([
      { code: 'credential expired', name: 'Ropeway licence', on: TUESDAY },
    ]);
  });

  test('of two of one kind the longer counts', () => {
    const credentials = [
      { kind: 'First aid', expiresOn: '2030-01-01' },
      { kind: 'First Aid', expiresOn: '2032-01-01' },
    ];
    expect(shortfalls({ ...NOBODY, credentials }, { credentials: ['First aid'] }, at(0))).toEqual(
      [],
    );
    expect(shortfalls({ ...NOBODY, credentials }, {}, at(0, 60, '2033-01-01'))).toEqual([
      { code: 'credential expired', name: 'First aid', on: '2032-01-01' },
    ]);
  });

  test('what is missing is told before what nobody demands', () => {
    const worker = { ...NOBODY, credentials: [{ kind: 'Boat pass', expiresOn: '2030-01-01' }] };
    expect(
      shortfalls(worker, { credentials: ['Rope access'], skills: ['Welding'] }, at(540)).map(
        (fall) => [fall.code, 'name' in fall ? fall.name : ''],
      ),
    ).toEqual([
      ['no credential', 'Rope access'],
      ['no skill', 'Welding'],
      ['credential expired', 'Boat pass'],
    ]);
  });
});

describe('when somebody works', () => {
  const office: Worker = {
    ...NOBODY,
    hours: [
      { weekday: 2, from: 480, to: 720 },
      { weekday: 2, from: 780, to: 1020 },
      { weekday: 3, from: 0, to: 360 },
    ],
  };
  const code = (worker: Worker, ...time: Parameters<typeof at>): string[] =>
    shortfalls(worker, {}, at(...time)).map((fall) => fall.code);

  test('work lies within their hours, to the minute', () => {
    expect(code(office, 480, 240)).toEqual([]);
    expect(code(office, 479, 30)).toEqual(['outside hours']);
    expect(code(office, 700, 20)).toEqual([]);
    expect(code(office, 700, 21)).toEqual(['outside hours']);
    expect(code(office, 720, 30)).toEqual(['outside hours']);
    expect(code(office, 480, 30, '2031-04-11')).toEqual(['outside hours']);
  });

  test('hours that touch are one, also over midnight', () => {
    const night = { ...office, hours: [...office.hours, { weekday: 2, from: 1320, to: 1440 }] };
    expect(code(night, 1380, 240)).toEqual([]);
    expect(code(night, 1380, 421)).toEqual(['outside hours']);
    // Sunday runs into Monday.
    const weekend = {
      ...NOBODY,
      hours: [
        { weekday: 7, from: 1320, to: 1440 },
        { weekday: 1, from: 0, to: 120 },
      ],
    };
    expect(code(weekend, 1400, 100, '2031-04-06')).toEqual([]);
  });

  test('of who has said no hours nothing is known', () => {
    expect(code(NOBODY, 180, 600)).toEqual([]);
  });

  test('absences hold on their first and last day', () => {
    const away = { ...NOBODY, absences: [{ from: TUESDAY, to: '2031-04-10', why: 'course' }] };
    expect(code(away, 540, 60, addDays(TUESDAY, -1))).toEqual([]);
    expect(code(away, 540)).toEqual(['absent']);
    expect(code(away, 540, 60, '2031-04-10')).toEqual(['absent']);
    expect(code(away, 540, 60, '2031-04-11')).toEqual([]);
  });

  test('hours cut into pieces say the same as hours in one', () => {
    const minute = fc.integer({ min: 0, max: 1440 });
    fc.assert(
      fc.property(
        minute,
        minute,
        minute,
        fc.array(minute),
        minute,
        (a, b, start, cuts, minutes) => {
          const [from, to] = a < b ? [a, b] : [b, a];
          const edges = [...new Set([from, ...cuts.filter((c) => c > from && c < to), to])].sort(
            (x, y) => x - y,
          );
          const pieces = edges
            .slice(1)
            .map((end, index) => ({ weekday: 2, from: edges[index] ?? 0, to: end }))
            .reverse();
          const whole = { ...NOBODY, hours: [{ weekday: 2, from, to }] };
          if (pieces.length === 0) return;
          expect(code({ ...NOBODY, hours: pieces }, start, minutes)).toEqual(
            code(whole, start, minutes),
          );
          expect(code(whole, start, minutes).length === 0).toBe(
            from <= start && start < to && start + minutes <= to,
          );
        },
      ),
    );
  });
});
