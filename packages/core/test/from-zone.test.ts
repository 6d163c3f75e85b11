import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { fromZone, inZone } from '../src/calendar/index.ts';

const ZONES = ['Europe/Lisbon', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC'];

// Temporal’s “compatible” way of local times that come twice or never: another implementation.
test('a local time is the instant that Temporal gives for it, through all changes of the clock', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...ZONES),
      fc.integer({ min: 0, max: 1_500 }),
      fc.integer({ min: 0, max: 1_439 }),
      (zone, days, minute) => {
        const date = Temporal.PlainDate.from('2024-01-01').add({ days });
        const time = Temporal.PlainTime.from('00:00').add({ minutes: minute });
        const instant = date.toZonedDateTime({ timeZone: zone, plainTime: time }).epochMilliseconds;
        expect(fromZone(date.toString(), minute, zone).getTime()).toBe(instant);
      },
    ),
    { numRuns: 600 },
  );
});

test('an hour that comes twice is the first, one that is skipped lies as long after the change', () => {
  // Clocks of Lisbon: forward on 29 March 2026 at 01:00, back on 25 October at 02:00 (IANA tz database).
  expect(fromZone('2026-10-25', 90, 'Europe/Lisbon').toISOString()).toBe(
    '2026-10-25T00:30:00.000Z',
  );
  const skipped = fromZone('2026-03-29', 90, 'Europe/Lisbon');
  expect(inZone(skipped, 'Europe/Lisbon')).toEqual({ day: '2026-03-29', minute: 150 });
  expect(() => fromZone('2026-03-29', 90, 'Nowhere/Land')).toThrow(RangeError);
});
