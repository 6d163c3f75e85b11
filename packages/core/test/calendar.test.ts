import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { addDays, atZone, inZone } from '../src/calendar/index.ts';

const ZONES = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'UTC'];

/** What another library makes of it, by the rule “compatible” of RFC 5545 and java.time. */
const byTemporal = (day: string, minute: number, zone: string): number =>
  Temporal.PlainDate.from(day)
    .toPlainDateTime({ hour: Math.floor(minute / 60), minute: minute % 60 })
    .toZonedDateTime(zone, { disambiguation: 'compatible' }).epochMilliseconds;

test('a minute of a day in a zone is the instant Temporal says, through every change of the clock', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 3_650 }),
      fc.integer({ min: 0, max: 1_439 }),
      fc.constantFrom(...ZONES),
      (days, minute, zone) => {
        const day = addDays('2026-01-01', days);
        expect(atZone(day, minute, zone).getTime()).toBe(byTemporal(day, minute, zone));
      },
    ),
    { numRuns: 2_000 },
  );
});

test('every quarter of an hour of the days of change, in two zones', () => {
  const days = [
    ['Europe/Berlin', '2031-03-30'],
    ['Europe/Berlin', '2031-10-26'],
    ['America/New_York', '2031-03-09'],
    ['America/New_York', '2031-11-02'],
  ] as const;
  for (const [zone, day] of days)
    for (let minute = 0; minute < 1_440; minute += 15) {
      const at = atZone(day, minute, zone);
      expect([day, minute, at.getTime()]).toEqual([day, minute, byTemporal(day, minute, zone)]);
      const back = inZone(at, zone);
      // Only the hour that is left out reads otherwise.
      if (day !== '2031-03-30' && day !== '2031-03-09') expect(back).toEqual({ day, minute });
    }
});
