import fc from 'fast-check';
import {
  driftAtEnd,
  judgeRange,
  readNumber,
  sayRange,
  vibrationZone,
  type VibrationClass,
  type VibrationZone,
} from '../src/measure/index.ts';

// ISO 10816-1:1995, annex B, r.m.s. velocity in mm/s (values from memory).
const ISO_10816: [VibrationClass, number, number, number][] = [
  ['I', 0.71, 1.8, 4.5],
  ['II', 1.12, 2.8, 7.1],
  ['III', 1.8, 4.5, 11.2],
  ['IV', 2.8, 7.1, 18],
];

describe.each(ISO_10816)('vibration of class %s', (machine, ab, bc, cd) => {
  test.each<[number, VibrationZone]>([
    [0, 'A'],
    [ab, 'A'],
    [ab + 0.01, 'B'],
    [bc, 'B'],
    [bc + 0.01, 'C'],
    [cd, 'C'],
    [cd + 0.01, 'D'],
  ])('%d mm/s is in zone %s', (value, zone) => {
    expect(vibrationZone(value, machine)).toBe(zone);
  });

  test('a negative or missing value is refused', () => {
    expect(() => vibrationZone(-1, machine)).toThrow(RangeError);
    expect(() => vibrationZone(Number.NaN, machine)).toThrow(RangeError);
  });
});

test('a range includes its ends and may be open', () => {
  fc.assert(
    fc.property(fc.double({ noNaN: true, min: -1e6, max: 1e6 }), (value) => {
      expect(judgeRange(value, { low: value, high: value })).toBe('within');
      expect(judgeRange(value, {})).toBe('within');
      expect(judgeRange(value, { low: value + 1 })).toBe('below');
      expect(judgeRange(value, { high: value - 1 })).toBe('above');
    }),
  );
  expect(sayRange({ low: 20, high: 65 }, '°C')).toBe('20 to 65 °C');
  expect(sayRange({ low: 1 }, 'MΩ')).toBe('at least 1 MΩ');
});

test.each([
  [[1, 2, 3, 4, 5], { direction: 'rising', readings: 5 }],
  [[9, 1, 2, 3, 4, 5, 6], { direction: 'rising', readings: 6 }],
  [[5, 4, 3, 2, 1], { direction: 'falling', readings: 5 }],
  [[1, 2, 3, 4, 4], null],
  [[1, 2, 3, 4], null],
  [[], null],
])('the drift at the end of %j', (values, drift) => {
  expect(driftAtEnd(values)).toEqual(drift);
});

test.each([
  ['78.5', 78.5],
  ['78,5', 78.5],
  [' 12 ', 12],
  ['-0,5', -0.5],
  ['.5', 0.5],
  ['\u22123', -3],
])('reads %j as a number', (typed, value) => {
  expect(readNumber(typed)).toEqual({ value });
});

test.each(['', 'x', '1.2.3', '1,234.5', '12 bar', '1e5', '--3', 'Infinity', '0x10'])(
  'refuses %j with words',
  (typed) => {
    expect(readNumber(typed)).toHaveProperty('problem');
  },
);
