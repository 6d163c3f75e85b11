import fc from 'fast-check';
import {
  clockDay,
  countsUntil,
  isForgotten,
  CLOCK_STEPS,
  minutesIn,
  nextSteps,
  timeAtVisit,
  whatCounts,
  workedMinutes,
  type ClockEntry,
  type ClockStep,
} from '../src/timesheet/index.ts';

const DAY = '2031-04-08';
const at = (time: string): string => `${DAY}T${time}:00Z`;
const NOW = at('18:00');
let count = 0;
const said = (
  step: ClockStep | null,
  time: string,
  insteadOf: string | null = null,
): ClockEntry => ({
  ...{ id: `e${String(++count).padStart(5, '0')}`, day: DAY, step, at: at(time), insteadOf },
});

test('a day from its beginning to its end, breaks left out', () => {
  const day = clockDay([
    ...[said('began', '07:00'), said('break', '12:00'), said('back', '12:30')],
    said('ended', '16:00'),
  ]);
  expect(workedMinutes(day, NOW)).toBe(9 * 60 - 30);
  expect(day).toMatchObject({ state: 'off', odd: [] });
  expect(day.breaks).toEqual([{ from: at('12:00'), to: at('12:30') }]);
});

test('what goes on counts until now; a day that ends in a break ends the break', () => {
  const day = [said('began', '07:00'), said('break', '12:00')];
  expect(clockDay(day).state).toBe('on a break');
  expect(workedMinutes(clockDay(day), NOW)).toBe(5 * 60);
  expect(workedMinutes(clockDay([...day, said('ended', '13:00')]), NOW)).toBe(5 * 60);
});

test('a day nobody ended counts nothing once it must be over, until its end is said', () => {
  const day = [said('began', '07:00')];
  const later = '2031-04-08T23:00:00Z';
  expect([isForgotten(clockDay(day), later), workedMinutes(clockDay(day), later)]).toEqual([
    ...[false, 16 * 60],
  ]);
  const tooLate = '2031-04-08T23:01:00Z';
  expect([isForgotten(clockDay(day), tooLate), workedMinutes(clockDay(day), tooLate)]).toEqual([
    ...[true, 0],
  ]);
  expect(workedMinutes(clockDay([...day, said('ended', '15:00')]), tooLate)).toBe(8 * 60);
  expect(countsUntil(at('07:00'), tooLate)).toBe('2031-04-08T23:00:00.000Z');
});

test('a day in two parts has both', () => {
  const day = clockDay([
    ...[said('began', '06:00'), said('ended', '10:00'), said('began', '14:00')],
    said('ended', '15:30'),
  ]);
  expect(workedMinutes(day, NOW)).toBe(5.5 * 60);
});

test('what can’t have happened is told apart and counts for nothing', () => {
  const early = said('break', '06:00');
  const twice = said('began', '08:00');
  const day = clockDay([said('began', '07:00'), twice, early, said('ended', '09:00')]);
  expect(day.odd.toSorted()).toEqual([early.id, twice.id].toSorted());
  expect(workedMinutes(day, NOW)).toBe(120);
});

test('a correction stands in place of what was said; of two the later; struck out is gone', () => {
  const began = said('began', '07:00');
  const ended = said('ended', '15:00');
  const phone = said('ended', '15:30', ended.id);
  const office = said('ended', '16:00', ended.id);
  expect(workedMinutes(clockDay([began, ended, office, phone]), NOW)).toBe(9 * 60);
  const again = said('ended', '16:15', office.id);
  expect(workedMinutes(clockDay([again, began, ended, phone, office]), NOW)).toBe(9 * 60 + 15);
  const struck = said(null, '16:15', again.id);
  expect(clockDay([began, ended, phone, office, again, struck]).state).toBe('working');
});

test('corrections that go round in a circle, or stand for something unknown, hold nothing up', () => {
  const a: ClockEntry = { ...said('began', '07:00'), insteadOf: 'e99999' };
  const b: ClockEntry = { ...said('ended', '08:00'), id: 'e99999', insteadOf: a.id };
  expect(whatCounts([a, b]).length).toBeLessThanOrEqual(2);
  expect(whatCounts([said('began', '07:00', 'nobody')])).toHaveLength(1);
});

const anyEntries = fc
  .array(
    fc.record({
      step: fc.constantFrom(...CLOCK_STEPS, null),
      minute: fc.integer({ min: 0, max: 1_439 }),
      of: fc.option(fc.integer({ min: 0, max: 20 })),
    }),
    { maxLength: 20 },
  )
  .map((all) =>
    all.map(({ step, minute, of }, index): ClockEntry => ({
      ...{ id: `e${String(index).padStart(3, '0')}`, day: DAY, step },
      at: new Date(Date.parse(at('00:00')) + minute * 60_000).toISOString(),
      insteadOf: of !== null && of < index ? `e${String(of).padStart(3, '0')}` : null,
    })),
  );

test('whatever was said, in whatever order it came: the same day, and never more work than hours', () => {
  fc.assert(
    fc.property(anyEntries, fc.infiniteStream(fc.nat()), (entries, order) => {
      const day = clockDay(entries);
      const other = [...entries]
        .map((entry) => ({ entry, key: Number(order.next().value ?? 0) }))
        .sort((a, b) => a.key - b.key)
        .map(({ entry }) => entry);
      expect(clockDay(other)).toEqual(day);
      const worked = workedMinutes(day, at('23:59'));
      expect(worked).toBeGreaterThanOrEqual(0);
      expect(worked).toBeLessThanOrEqual(24 * 60);
      expect(minutesIn(day.breaks, at('23:59'))).toBeLessThanOrEqual(
        minutesIn(day.spans, at('23:59')) + 1,
      );
      // Whatever may be said next fits.
      for (const step of nextSteps(day.state)) {
        const next = { id: 'f', day: DAY, step, at: at('23:59'), insteadOf: null };
        expect(clockDay([...entries, next]).odd).toEqual(day.odd);
      }
    }),
  );
});

test('time at a visit counts by itself from its steps, or as it was put right last', () => {
  const step = (
    id: string,
    kind: 'set off' | 'arrived' | 'left' | 'turned back',
    time: string,
  ) => ({
    ...{ id, kind, at: at(time) },
  });
  const events = [
    step('1', 'set off', '08:00'),
    step('2', 'arrived', '08:20'),
    step('3', 'left', '09:00'),
  ];
  expect(timeAtVisit(events, [])).toEqual({
    onWay: { from: at('08:00'), to: at('08:20') },
    there: { from: at('08:20'), to: at('09:00') },
    corrected: false,
  });
  expect(timeAtVisit(events.slice(0, 1), [])).toMatchObject({
    ...{ onWay: { from: at('08:00'), to: null }, there: null },
  });
  const back = [step('1', 'set off', '08:00'), step('2', 'turned back', '08:30')];
  expect(timeAtVisit(back, [])).toMatchObject({
    ...{ onWay: { from: at('08:00'), to: at('08:30') }, there: null },
  });
  const put = (id: string, to: string) => ({ id, visit: 'v', from: at('08:25'), to: at(to) });
  expect(timeAtVisit(events, [put('b', '09:30'), put('a', '09:10')])).toMatchObject({
    there: { from: at('08:25'), to: at('09:30') },
    corrected: true,
  });
});
