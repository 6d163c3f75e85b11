import { act, render } from '@testing-library/react';
import { noteOfficeTime, officeTime, sayClockOff, useClock } from '@/device/clock.ts';
import { useNow } from '@/device/use-now.ts';

const MINUTE = 60_000;
const DAY = 86_400_000;
const answer = (officeAt: number, headers: Record<string, string> = {}): Response =>
  ({
    headers: new Headers({
      'X-Ant-Trail': 'office',
      Date: new Date(officeAt).toUTCString(),
      ...headers,
    }),
  }) as Response;

beforeEach(() => {
  localStorage.clear();
  useClock.setState({ offMs: 0 });
});

test.each([
  [0, null],
  [20_000, null],
  [-4 * MINUTE, null],
  [6 * MINUTE, '6 minutes ahead'],
  [-3 * 60 * MINUTE, '3 hours behind'],
  [-DAY * 3, '3 days behind'],
  [DAY * 400, '400 days ahead'],
])('a clock %d ms off is said as %s', (off, words) => {
  noteOfficeTime(answer(Date.now() - off), Date.now());
  expect(sayClockOff(useClock.getState().offMs)).toBe(words);
  expect(Math.abs(officeTime().getTime() - (Date.now() - off))).toBeLessThan(MINUTE);
});

test('what is not the office’s own answer tells no time, nor does one without a date', () => {
  noteOfficeTime(answer(Date.now() - DAY, { 'X-Ant-Trail': 'portal' }), Date.now());
  noteOfficeTime(answer(0, { Date: 'soon' }), Date.now());
  expect(useClock.getState().offMs).toBe(0);
});

test('once it is set right nothing is said any more, and the day on the screen follows at once', () => {
  const days: string[] = [];
  function Day() {
    days.push(useNow('UTC').day);
    return null;
  }
  render(<Day />);
  act(() => noteOfficeTime(answer(Date.now() - DAY * 2), Date.now()));
  const today = new Date().toISOString().slice(0, 10);
  const before = new Date(Date.now() - DAY * 2).toISOString().slice(0, 10);
  expect([days[0], days.at(-1)]).toEqual([today, before]);
  act(() => noteOfficeTime(answer(Date.now()), Date.now()));
  expect(days.at(-1)).toBe(today);
  expect(sayClockOff(useClock.getState().offMs)).toBeNull();
});
