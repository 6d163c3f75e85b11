import fc from 'fast-check';
import { batteryLeft, standbyCapacity, standbyHours } from '../src/trades/alarm/index.ts';
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
    triedShare: (2 / 3) * 100,
  });
});
