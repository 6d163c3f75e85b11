import fc from 'fast-check';
import ICAL from 'ical.js';
import rrule from 'rrule';
import { addDays } from '../src/calendar/index.ts';
import { daysOfRule, roundDays } from '../src/rounds/days/index.ts';
import {
  legsOf,
  problemWithRule,
  readRhythm,
  readRule,
  rhythmOf,
  ruleOf,
  sayRhythm,
  sayRule,
  walkStanding,
  WEEKDAYS,
  type DayOfMonth,
  type Rhythm,
  type RoundRhythm,
} from '../src/rounds/index.ts';

const some = <T>(of: readonly T[], most = of.length) =>
  fc
    .uniqueArray(fc.integer({ min: 0, max: of.length - 1 }), { minLength: 1, maxLength: most })
    .map((at) => at.sort((a, b) => a - b).map((each) => of[each] as T));
const MONTHS = Array.from({ length: 12 }, (_, at) => at + 1);
const dayOfMonth: fc.Arbitrary<DayOfMonth> = fc.oneof(
  some(
    Array.from({ length: 31 }, (_, at) => at + 1),
    3,
  ).map((days) => ({ days })),
  fc.constant({ days: [-1] }),
  fc.record({ nth: some([1, 2, 3, 4, 5, -1], 2), weekday: fc.constantFrom(...WEEKDAYS) }),
  fc.record({ nth: some([1, 2, 3, -1], 2), weekday: fc.constant('working day' as const) }),
);
const step = fc.integer({ min: 1, max: 12 });
const months = fc.oneof(fc.constant([]), some(MONTHS, 11));
const day = fc.integer({ min: 0, max: 3_650 }).map((days) => addDays('2026-01-01', days));
const ends = fc.oneof(
  fc.constant({ until: null, count: null }),
  day.map((until) => ({ until, count: null })),
  fc.integer({ min: 1, max: 40 }).map((count) => ({ until: null, count })),
);
const anyRhythm: fc.Arbitrary<Rhythm> = fc
  .tuple(
    fc.oneof(
      fc.record({ every: fc.constant('day' as const), step, months }),
      fc.record({
        ...{ every: fc.constant('week' as const), step, months },
        on: fc.oneof(fc.constant([]), some(WEEKDAYS)),
      }),
      fc.record({
        ...{ every: fc.constant('month' as const), step, months },
        on: fc.oneof(fc.constant(null), dayOfMonth),
      }),
      fc.record({
        ...{ every: fc.constant('year' as const), step: fc.integer({ min: 1, max: 3 }) },
        ...{ on: dayOfMonth, months: some(MONTHS, 3) },
      }),
    ),
    ends,
  )
  .map(([rhythm, end]) => ({ ...rhythm, ...end }));

describe('a rhythm in words', () => {
  const WRITTEN: readonly (readonly [string, string])[] = [
    [
      'every second Tuesday, not in August',
      'FREQ=WEEKLY;INTERVAL=2;BYMONTH=1,2,3,4,5,6,7,9,10,11,12;BYDAY=TU',
    ],
    ['Every other tues.', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU'],
    ['every working day', 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'],
    [
      'every weekday from October to March',
      'FREQ=WEEKLY;BYMONTH=1,2,3,10,11,12;BYDAY=MO,TU,WE,TH,FR',
    ],
    ['daily', 'FREQ=DAILY'],
    ['every Monday, Wednesday and Friday', 'FREQ=WEEKLY;BYDAY=MO,WE,FR'],
    ['every friday and monday', 'FREQ=WEEKLY;BYDAY=MO,FR'],
    ['every 6 weeks', 'FREQ=WEEKLY;INTERVAL=6'],
    ['every six weeks on Monday', 'FREQ=WEEKLY;INTERVAL=6;BYDAY=MO'],
    ['every month on the 1st and 15th', 'FREQ=MONTHLY;BYMONTHDAY=1,15'],
    ['the first Monday of every month', 'FREQ=MONTHLY;BYDAY=1MO'],
    ['the first and third Monday of every month', 'FREQ=MONTHLY;BYDAY=1MO,3MO'],
    ['on the last working day of every month', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1'],
    ['the last day of every month', 'FREQ=MONTHLY;BYMONTHDAY=-1'],
    ['every month on the 2nd last day', 'FREQ=MONTHLY;BYMONTHDAY=-2'],
    ['every quarter on the first Monday', 'FREQ=MONTHLY;INTERVAL=3;BYDAY=1MO'],
    ['every half year', 'FREQ=MONTHLY;INTERVAL=6'],
    ['every year on 1 May', 'FREQ=YEARLY;BYMONTH=5;BYMONTHDAY=1'],
    ['every year on May 1st', 'FREQ=YEARLY;BYMONTH=5;BYMONTHDAY=1'],
    ['every year on the first Sunday of March and October', 'FREQ=YEARLY;BYMONTH=3,10;BYDAY=1SU'],
    ['every 3 days, until 31 May 2031', 'FREQ=DAILY;INTERVAL=3;UNTIL=20310531'],
    ['every 3 days until 2031-05-31', 'FREQ=DAILY;INTERVAL=3;UNTIL=20310531'],
    ['every Friday, 13 times', 'FREQ=WEEKLY;BYDAY=FR;COUNT=13'],
    ['RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13'],
  ];
  test.each(WRITTEN)('%s', (words, rule) => {
    expect(readRule(words)).toEqual({ rule });
  });

  test.each([
    ['', 'Say how often'],
    ['Tuesday', 'Begin with “every”'],
    ['every', 'Every what?'],
    ['every blue moon', '“blue” is not understood'],
    ['every Tuesday at noon', '“at” is not understood'],
    ['every month on the 32nd', 'no 32'],
    ['every month on the sixth Monday', 'Say which day'],
    ['every year on 1', 'Say the month'],
    ['every day until 31 February 2031', 'Say the last day'],
    ['every day until 1 May 2031, 3 times', 'not both'],
    ['every Tuesday, not in', 'Say which months'],
    ['every day, 0 times', 'not understood'],
    ['every 0 days', 'out of reach'],
    ['FREQ=SECONDLY', 'no part of a rule'],
    ['FREQ=DAILY;COUNT=3;UNTIL=20310101', 'not both'],
    ['FREQ=DAILY;__proto__=1', 'no part of a rule'],
  ])('“%s” is not read, and why is said', (words, why) => {
    expect((readRule(words) as { problem?: string }).problem).toContain(why);
  });

  test('whatever is said is read as the same', () => {
    fc.assert(
      fc.property(anyRhythm, (rhythm) => {
        const read = readRhythm(sayRhythm(rhythm));
        expect('rhythm' in read ? ruleOf(read.rhythm) : read.problem).toBe(ruleOf(rhythm));
      }),
      { numRuns: 1_000 },
    );
  });

  test('a rule says its rhythm, and one that says more is no rhythm', () => {
    fc.assert(
      fc.property(anyRhythm, (rhythm) => {
        const back = rhythmOf(ruleOf(rhythm));
        expect(back && ruleOf(back)).toBe(ruleOf(rhythm));
        expect(problemWithRule(ruleOf(rhythm))).toBeNull();
      }),
    );
    expect(rhythmOf('FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13')).toBeNull();
    expect(sayRule('FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13')).toContain('by the rule');
  });

  test('nothing that is written brings it to a halt', () => {
    const words = fc.constantFrom(
      ...'every each the first last 3 2nd Monday day week month year on of in not from to until and , times May 2031'.split(
        ' ',
      ),
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words).map((all) => all.join(' ')),
        ),
        (text) => {
          const read = readRule(text);
          if ('rule' in read) expect(problemWithRule(read.rule)).toBeNull();
        },
      ),
      { numRuns: 2_000 },
    );
  });
});

/** What another library makes of a rule over ten years. */
function byRrule(rule: string, begins: string, to: string): string[] {
  const set = rrule.rrulestr(`DTSTART:${begins.replaceAll('-', '')}T000000Z\nRRULE:${rule}`);
  return set
    .between(new Date(`${begins}T00:00:00Z`), new Date(`${to}T00:00:00Z`), true)
    .map((at) => at.toISOString().slice(0, 10));
}

describe('days of a rule', () => {
  // Examples of RFC 5545, 3.8.5.3, those that make days; the dates stand there.
  test.each([
    ['FREQ=DAILY;COUNT=10', '1997-09-02', ['1997-09-02', '1997-09-03'], 10],
    [
      'FREQ=DAILY;INTERVAL=10;COUNT=5',
      '1997-09-02',
      ['1997-09-02', '1997-09-12', '1997-09-22', '1997-10-02', '1997-10-12'],
      5,
    ],
    [
      'FREQ=WEEKLY;UNTIL=19971007;WKST=SU;BYDAY=TU,TH',
      '1997-09-02',
      ['1997-09-02', '1997-09-04', '1997-09-09', '1997-09-11'],
      11,
    ],
    [
      'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
      '1997-09-02',
      [
        '1997-09-02',
        '1997-09-04',
        '1997-09-16',
        '1997-09-18',
        '1997-09-30',
        '1997-10-02',
        '1997-10-14',
        '1997-10-16',
      ],
      8,
    ],
    [
      'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
      '1997-09-05',
      [
        '1997-09-05',
        '1997-10-03',
        '1997-11-07',
        '1997-12-05',
        '1998-01-02',
        '1998-02-06',
        '1998-03-06',
        '1998-04-03',
        '1998-05-01',
        '1998-06-05',
      ],
      10,
    ],
    [
      'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
      '1997-09-22',
      ['1997-09-22', '1997-10-20', '1997-11-17', '1997-12-22', '1998-01-19', '1998-02-16'],
      6,
    ],
    [
      'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
      '1997-09-30',
      [
        '1997-09-30',
        '1997-10-01',
        '1997-10-31',
        '1997-11-01',
        '1997-11-30',
        '1997-12-01',
        '1997-12-31',
        '1998-01-01',
        '1998-01-31',
        '1998-02-01',
      ],
      10,
    ],
    [
      'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200',
      '1997-01-01',
      [
        '1997-01-01',
        '1997-04-10',
        '1997-07-19',
        '2000-01-01',
        '2000-04-09',
        '2000-07-18',
        '2003-01-01',
        '2003-04-10',
        '2003-07-19',
        '2006-01-01',
      ],
      10,
    ],
    [
      'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
      '1997-09-04',
      ['1997-09-04', '1997-10-07', '1997-11-06'],
      3,
    ],
    [
      'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO',
      '1997-08-05',
      ['1997-08-05', '1997-08-10', '1997-08-19', '1997-08-24'],
      4,
    ],
    [
      'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
      '1997-08-05',
      ['1997-08-05', '1997-08-17', '1997-08-19', '1997-08-31'],
      4,
    ],
  ])('%s', (rule, begins, first, count) => {
    const days = daysOfRule(rule, begins, begins, addDays(begins, 3_650));
    expect(days.slice(0, first.length)).toEqual(first);
    expect(days).toHaveLength(count);
  });

  test('over ten years are those that the library rrule finds', () => {
    fc.assert(
      fc.property(anyRhythm, day, (rhythm, begins) => {
        const to = addDays(begins, 3_650);
        expect(daysOfRule(ruleOf(rhythm), begins, begins, to)).toEqual(
          byRrule(ruleOf(rhythm), begins, to),
        );
      }),
      { numRuns: 150 },
    );
  });

  test('are those that the library ical.js finds, where it reads the rule', () => {
    for (const rule of [
      'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU',
      'FREQ=MONTHLY;BYDAY=1MO',
      'FREQ=MONTHLY;BYMONTHDAY=-1',
      'FREQ=DAILY;INTERVAL=3',
    ]) {
      const days = daysOfRule(rule, '2026-02-03', '2026-02-03', '2029-02-03');
      const all = ICAL.Recur.fromString(rule).iterator(ICAL.Time.fromDateString('2026-02-03'));
      // It counts the day it begins on, whether the rule has it or not.
      const theirs = Array.from({ length: days.length + 1 }, () => all.next().toString());
      expect(
        theirs.filter((each) => each !== '2026-02-03' || days.includes(each)).slice(0, days.length),
      ).toEqual(days);
    }
  });

  test('a part of them is what it is of the whole', () => {
    fc.assert(
      fc.property(anyRhythm, day, fc.integer({ min: 0, max: 900 }), (rhythm, begins, later) => {
        const [from, to] = [addDays(begins, later), addDays(begins, later + 200)];
        const whole = daysOfRule(ruleOf(rhythm), begins, begins, to);
        expect(daysOfRule(ruleOf(rhythm), begins, from, to)).toEqual(
          whole.filter((each) => each >= from),
        );
      }),
      { numRuns: 150 },
    );
  });
});

describe('days of a round', () => {
  const weekly: RoundRhythm = {
    ...{ rule: 'FREQ=WEEKLY;BYDAY=TU', begins: '2031-04-01', without: [], besides: [] },
    onHolidays: 'as ever',
  };
  const inApril = (more: Partial<RoundRhythm>, holidays: readonly string[] = []): string[] =>
    roundDays({ ...weekly, ...more }, new Set(holidays), '2031-04-01', '2031-04-30').map(
      (each) => `${each.day.slice(8)}${each.day === each.due ? '' : ` for ${each.due.slice(8)}`}`,
    );

  test('are counted from the first it can fall on, whatever week or month it is told in', () => {
    const from = (rule: string): string[] =>
      roundDays(
        { ...weekly, rule, begins: '2031-04-04' },
        new Set(),
        '2031-04-04',
        '2031-12-31',
      ).map(({ day }) => day);
    // 4 April 2031 is a Friday.
    expect(from('FREQ=WEEKLY;INTERVAL=2;BYDAY=TU').slice(0, 2)).toEqual([
      ...['2031-04-08', '2031-04-22'],
    ]);
    expect(from('FREQ=MONTHLY;INTERVAL=3;BYDAY=1TU').slice(0, 2)).toEqual([
      ...['2031-05-06', '2031-08-05'],
    ]);
    expect(from('FREQ=DAILY;INTERVAL=10').slice(0, 2)).toEqual(['2031-04-04', '2031-04-14']);
    expect(from('FREQ=WEEKLY;BYDAY=TU;COUNT=2')).toEqual(['2031-04-08', '2031-04-15']);
    expect(from('FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;UNTIL=20310409')).toEqual(['2031-04-08']);
  });

  test('leave out and add what somebody said', () => {
    expect(inApril({})).toEqual(['01', '08', '15', '22', '29']);
    expect(inApril({ without: ['2031-04-15'], besides: ['2031-04-17'] })).toEqual([
      ...['01', '08', '17', '22', '29'],
    ]);
  });

  test('holidays leave them out or move them, past the weekend and other holidays', () => {
    const easter = ['2031-04-11', '2031-04-14', '2031-04-15'];
    expect(inApril({ onHolidays: 'left out' }, easter)).toEqual(['01', '08', '22', '29']);
    expect(inApril({ onHolidays: 'the working day after' }, easter)).toContain('16 for 15');
    expect(inApril({ onHolidays: 'the working day before' }, easter)).toContain('10 for 15');
    expect(inApril({ onHolidays: 'as ever' }, easter)).toContain('15');
  });

  test('one that is moved from outside is found, and two on one day are one', () => {
    const first: RoundRhythm = {
      ...weekly,
      rule: 'FREQ=DAILY',
      onHolidays: 'the working day after',
    };
    expect(roundDays(first, new Set(['2031-04-03']), '2031-04-04', '2031-04-04')).toEqual([
      { due: '2031-04-04', day: '2031-04-04' },
    ]);
    const moved = { ...weekly, onHolidays: 'the working day after' as const };
    expect(roundDays(moved, new Set(['2031-04-08']), '2031-04-09', '2031-04-09')).toEqual([
      { due: '2031-04-08', day: '2031-04-09' },
    ]);
  });
});

test('stops at one place one after the other are one visit; the way between is counted', () => {
  const stop = (site: string, asset: string | null, minutes: number) => ({
    ...{ site, asset, minutes, template: 't' },
  });
  const legs = legsOf(
    [stop('a', '1', 10), stop('a', '2', 10), stop('b', null, 3), stop('a', '3', 20)],
    480,
    () => 12,
  );
  expect(
    legs.map(({ site, stops, start, minutes }) => [site, stops.length, start, minutes]),
  ).toEqual([
    ['a', 2, 480, 20],
    ['b', 1, 515, 5],
    ['a', 1, 535, 20],
  ]);
  expect(legsOf([stop('a', null, 10), stop('b', null, 10)], 1_435, () => 900)[1]?.start).toBe(
    1_435,
  );
});

test('a walk nobody began is missed when its day is over', () => {
  const on = (states: Parameters<typeof walkStanding>[0], day = '2031-04-08') =>
    walkStanding(states, day, '2031-04-08');
  expect(on(['planned', 'draft'], '2031-04-09')).toBe('ahead');
  expect(on(['planned'])).toBe('today');
  expect(on(['planned', 'cancelled'], '2031-04-07')).toBe('missed');
  expect(on(['planned', 'under way'])).toBe('under way');
  expect(on(['approved', 'planned'], '2031-04-07')).toBe('in part');
  expect(on(['approved', 'turned back'], '2031-04-07')).toBe('in part');
  expect(on(['approved', 'planned'])).toBe('under way');
  expect(on(['finished', 'approved', 'cancelled'])).toBe('done');
  expect(on(['cancelled'])).toBe('called off');
});
