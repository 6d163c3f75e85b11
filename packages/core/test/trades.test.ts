import { standbyCapacity } from '../src/trades/alarm/index.ts';
import { stressArea } from '../src/trades/bolting/index.ts';
import { loopLimit } from '../src/trades/electrical/loop.ts';
import { airChanges, ventilation } from '../src/trades/energy/air.ts';
import { scoreOf } from '../src/sheet/index.ts';

// BS 7671 table 41.3 (values from memory; the formula reproduces them).
test.each([
  ['B', 6, 7.28],
  ['B', 16, 2.73],
  ['B', 32, 1.37],
  ['C', 16, 1.37],
  ['C', 32, 0.68],
  ['D', 16, 0.68],
])('loop impedance limit of a %s%i breaker', (curve, rating, limit) => {
  expect(loopLimit(curve, rating)).toBeCloseTo(limit, 2);
});
test('a breaker that does not exist is refused', () => {
  expect(() => loopLimit('Z', 6)).toThrow(RangeError);
  expect(() => loopLimit('B', 0)).toThrow(RangeError);
});

// NFPA 72: (standby × 24 h + alarm × 5 min) × 1.2 (from memory).
test('standby battery', () => {
  expect(standbyCapacity(0.2, 1.2)).toBeCloseTo((0.2 * 24 + 1.2 / 12) * 1.2, 10);
  expect(() => standbyCapacity(-1, 0)).toThrow(RangeError);
});

// ISO 898-1 (from memory): M16 × 2 157 mm², M20 × 2.5 245 mm².
test.each([
  [16, 2, 157],
  [20, 2.5, 245],
])('stress area of M%i × %d', (diameter, pitch, area) => {
  expect(Math.round(stressArea(diameter, pitch))).toBe(area);
});

// ASHRAE 62.2-2016: its table gives 90 cfm for up to 2000 ft² and 3 bedrooms (from memory).
test('ventilation and air changes', () => {
  expect(ventilation(2000, 3)).toBe(90);
  expect(airChanges(1500, 15_000)).toBe(6);
});

// VDA 6.3: degree = points reached / possible; A from 90 %, B from 80 %, C below (from memory).
describe('the degree of compliance', () => {
  const rules = {
    target: 80,
    cap: 40,
    grades: [
      { from: 90, word: 'A' },
      { from: 80, word: 'B' },
      { from: 0, word: 'C' },
    ],
  };
  const tally = (reached: number, possible: number, stops = false) => ({
    answered: 0,
    asked: 0,
    alerts: 0,
    reached,
    possible,
    stops,
  });
  test.each([
    [90, 'A'],
    [89.9, 'B'],
    [80, 'B'],
    [79, 'C'],
  ])('%d of 100 points is %s', (reached, grade) => {
    expect(scoreOf(rules, tally(reached, 100))).toMatchObject({ percent: reached, grade });
  });
  test('a failed question that stops everything caps it', () => {
    expect(scoreOf(rules, tally(95, 100, true))).toMatchObject({ percent: 40, capped: true });
  });
  test('nothing judged is no result', () => {
    expect(scoreOf(rules, tally(0, 0)).percent).toBeNull();
  });
});
