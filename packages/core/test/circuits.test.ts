import fc from 'fast-check';
import {
  ambientFactor,
  cableCapacity,
  conductorResistance,
  groupingFactor,
  laidCapacity,
  voltageDrop,
} from '../src/trades/electrical/cables.ts';
import { maximumDemand, USES } from '../src/trades/electrical/demand.ts';
import {
  deviceLimit,
  faultCurrent,
  residualLimit,
  ringCross,
  tripLimit,
} from '../src/trades/electrical/loop.ts';
import { codesOf, isSatisfactory } from '../src/trades/electrical/verdict.ts';

// IEC 60228, mΩ/m at 20 °C (values from memory).
test.each([
  [1.5, 12.1],
  [2.5, 7.41],
  [4, 4.61],
  [6, 3.08],
  [10, 1.83],
])('a conductor of %d mm² has %d mΩ/m', (size, mOhm) => {
  expect(conductorResistance(100, size, size) * 1000).toBeCloseTo(mOhm * 100 * 2, 6);
});

// 2.5 mm² with an earth of 1.5 mm² over 20 m: 20 × (7.41 + 12.10) / 1000, worked by hand.
test('R1 + R2 of a usual flat cable', () => {
  expect(conductorResistance(20, 2.5, 1.5)).toBeCloseTo(0.3902, 6);
});

// BS 7671 table 4D5 (values from memory).
test.each([
  [1.5, 20, 29],
  [2.5, 27, 18],
  [4, 37, 11],
  [6, 47, 7.3],
  [10, 64, 4.4],
])('flat cable of %d mm² carries %i A and loses %d mV per A and m', (size, amps, drop) => {
  expect(cableCapacity(size)).toBe(amps);
  expect(voltageDrop(size, 1, 1) * 1000).toBeCloseTo(drop, 9);
});

// A 32 A shower on 10 mm² over 15 m: 4.4 × 32 × 15 / 1000 = 2.112 V, within 5 % of 230 V (by hand).
test('voltage drop worked by hand', () => {
  expect(voltageDrop(10, 32, 15)).toBeCloseTo(2.112, 9);
});

// BS 7671 table 4B1, 70 °C thermoplastic (values from memory).
test.each([
  [25, 1.03],
  [30, 1],
  [35, 0.94],
  [40, 0.87],
  [45, 0.79],
  [50, 0.71],
  [55, 0.61],
  // Between two lines the warmer one counts.
  [31, 0.94],
  [10, 1.03],
])('at %i °C a cable keeps %d', (celsius, factor) => {
  expect(ambientFactor(celsius)).toBeCloseTo(factor, 2);
});

// IEC 61008-1 (values from memory).
test('a residual current device has its time by how it is tested', () => {
  expect([0.5, 1, 2, 5, 10].map(tripLimit)).toEqual([Infinity, 0.3, 0.3, 0.04, 0.04]);
});

// 230 V over 0.35 Ω (Ohm’s law); a ring of 0.62 and 1.04 Ω reads 0.415 Ω at each point (by hand).
test('fault current, and the reading across a ring', () => {
  expect(faultCurrent(230, 0.35)).toBeCloseTo(657.142857, 6);
  expect(ringCross(0.62, 1.04)).toBeCloseTo(0.415, 9);
});

test('more circuits beside it never leave a cable more, and heat never does', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), (circuits) => {
      expect(groupingFactor(circuits + 1)).toBeLessThanOrEqual(groupingFactor(circuits));
    }),
  );
  fc.assert(
    fc.property(fc.double({ min: -20, max: 59, noNaN: true }), (celsius) => {
      expect(ambientFactor(celsius + 1)).toBeLessThanOrEqual(ambientFactor(celsius));
    }),
  );
});

test('what no circuit has is refused, and says what would be right', () => {
  expect(() => conductorResistance(20, 3, 1.5)).toThrow('1, 1.5, 2.5, 4, 6, 10, 16 mm², not 3');
  expect(() => conductorResistance(-1, 2.5, 1.5)).toThrow('0 m long or more');
  expect(() => voltageDrop(2.5, -1, 1)).toThrow('0 A or more');
  expect(() => faultCurrent(230, 0)).toThrow('above 0 Ω');
  expect(() => ringCross(-0.1, 1)).toThrow('below 0 Ω');
  expect(() => groupingFactor(0)).toThrow('At least one');
  expect(() => ambientFactor(61)).toThrow('Above 60 °C');
  expect(() => ambientFactor(Number.NaN)).toThrow(RangeError);
  expect(() => laidCapacity(2.5, 'toString')).toThrow('A, C, 100, 101, 102 or 103');
  expect(() => laidCapacity(3, 'C')).toThrow('not 3');
  expect(() => deviceLimit('gG', 40, 0.4)).toThrow('6 to 32 A do within 0.4 s');
  expect(() => deviceLimit('gG', 17, 5)).toThrow('No fuse of 17 A');
  expect(() => deviceLimit('gG', 32, 0)).toThrow('more than 0 s');
  expect(() => deviceLimit('E', 32, 0.4)).toThrow('curve B, C or D');
  expect(() => residualLimit(0)).toThrow('more than 0 mA');
  expect(() => maximumDemand([{ use: 'other', amps: -1 }])).toThrow('0 A or more');
});

// BS 7671 table 4D5, methods of laying (values from memory).
test.each([
  [1.5, 'C', 20],
  [2.5, 'A', 20],
  [2.5, '100', 21],
  [2.5, '103', 13.5],
  [6, '101', 27],
  [10, '102', 47],
])('%d mm² laid by %s carries %d A, and never more than clipped direct', (size, method, amps) => {
  expect(laidCapacity(size, method)).toBe(amps);
  expect(laidCapacity(size, method)).toBeLessThanOrEqual(cableCapacity(size));
});

// BS 7671 tables 41.2 and 41.4, fuses of BS 88-2 (values from memory); breakers as table 41.3.
test.each([
  ['gG', 6, 0.4, 7.8],
  ['gG', 16, 0.4, 2.43],
  ['gG', 32, 0.4, 0.99],
  ['gG', 32, 5, 1.7],
  ['gG', 63, 5, 0.78],
  ['gG', 100, 5, 0.42],
  ['B', 32, 0.4, 1.37],
  ['B', 32, 5, 1.37],
  ['C', 16, 5, 1.37],
])('%s %i within %d s: %d Ω at most', (curve, rating, seconds, limit) => {
  expect(deviceLimit(curve, rating, seconds)).toBeCloseTo(limit, 2);
});

// 50 V over 30, 100 and 300 mA (BS 7671 table 41.5: 1667, 500, 167 Ω, from memory).
test.each([
  [30, 1667],
  [100, 500],
  [300, 167],
])('behind %i mA a loop of %i Ω still disconnects', (milliamps, ohms) => {
  expect(Math.round(residualLimit(milliamps))).toBe(ohms);
});

// IET On-Site Guide, table A2 (from memory), by hand: lighting 0.66 × 12 = 7.92; sockets 32 + 0.4 × 20
// = 40; cooker 10 + 0.3 × 35 = 20.5; hot water 13.
test('a household’s maximum demand', () => {
  const demand = maximumDemand([
    { use: 'lighting', amps: 6 },
    { use: 'lighting', amps: 6 },
    { use: 'sockets', amps: 32 },
    { use: 'sockets', amps: 20 },
    { use: 'cooking', amps: 45 },
    { use: 'water', amps: 13 },
  ]);
  expect(demand).toBeCloseTo(81.42, 9);
});

test('demand is never more than everything at once, nor less than before with one more, in any order', () => {
  const circuit = fc.record({
    use: fc.constantFrom(...USES),
    amps: fc.double({ min: 0, max: 100, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(circuit, { maxLength: 30 }), circuit, (circuits, more) => {
      const demand = maximumDemand(circuits);
      const sum = circuits.reduce((total, { amps }) => total + amps, 0);
      expect(demand).toBeLessThanOrEqual(sum + 1e-9);
      expect(maximumDemand([more, ...circuits])).toBeGreaterThanOrEqual(demand - 1e-9);
      expect(maximumDemand([...circuits].reverse())).toBeCloseTo(demand, 6);
    }),
  );
});

// BS 7671, model forms: C1, C2 and FI make it unsatisfactory, C3 does not (from memory).
test('the verdict follows from the codes alone', () => {
  expect(isSatisfactory([])).toBe(true);
  expect(isSatisfactory(['C3', 'C3'])).toBe(true);
  expect(isSatisfactory(['C3', 'FI'])).toBe(false);
  expect(isSatisfactory(['C2'])).toBe(false);
  expect(isSatisfactory(['C1', 'C3'])).toBe(false);
  expect(codesOf([{ code: 'C1' }, { code: 'C9' }, {}, null, 'C1'])).toEqual(['C1']);
  expect(codesOf(undefined)).toEqual([]);
});
