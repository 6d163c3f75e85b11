import fc from 'fast-check';
import { readMinute, readTimeOfDay, sayMinute } from '../src/calendar/index.ts';

test.each([
  ['745', '07:45'],
  ['7:45', '07:45'],
  ['07.45', '07:45'],
  ['7h45', '07:45'],
  ['7', '07:00'],
  ['19h', '19:00'],
  ['1230', '12:30'],
  [' 7:45 pm ', '19:45'],
  ['12 am', '00:00'],
  ['12:05 p.m.', '12:05'],
  ['23:59', '23:59'],
])('“%s” is the time %s', (text, time) => {
  expect(readTimeOfDay(text)).toBe(time);
});

test.each(['', '24:00', '7:60', '7:5', '0:30 pm', '13 pm', '12345', 'noon', '7:45:10', '-1'])(
  '“%s” is no time',
  (text) => {
    expect(readTimeOfDay(text)).toBeNull();
  },
);

test('whatever is written as a time is read back as the same one', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1439 }),
      fc.constantFrom(':', '.', 'h', ''),
      (at, mark) => {
        const time = sayMinute(at);
        expect(readTimeOfDay(time.replace(':', mark))).toBe(time);
        expect(readMinute(time.replace(':', mark))).toBe(at);
      },
    ),
  );
});

test('no text at all makes it fail, or gives anything but a time', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 12 }), (text) => {
      const time = readTimeOfDay(text);
      if (time !== null) expect(time).toMatch(/^([01]\d|2[0-3]):[0-5]\d$/);
    }),
  );
});
