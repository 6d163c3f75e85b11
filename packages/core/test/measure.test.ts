import fc from 'fast-check';
import {
  canConvert,
  chanceBeyond,
  convert,
  CONVERTIBLE_UNITS,
  judgeRange,
  rangeIn,
  readNumber,
  sayRange,
  tidy,
  unusualAtEnd,
  vibrationZone,
  writeNumber,
  writeUnit,
  writingOf,
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
  ['78.5', 78.5],
  ['78,5', 78.5],
  [' 12 ', 12],
  ['-0,5', -0.5],
  ['.5', 0.5],
  ['\u22123', -3],
  ['- 3', -3],
  ['12 000', 12_000],
  ['12\u00a0000,5', 12_000.5],
  ['1\u202f234\u202f567', 1_234_567],
  ['12’000', 12_000],
  ['1,234.5', 1_234.5],
  ['1.234,5', 1_234.5],
  ['1,234,567', 1_234_567],
  ['0,234', 0.234],
  ['1,2345', 1.2345],
  ['1.234', 1.234],
  ['½', 0.5],
  ['1½', 1.5],
  ['2 ¾', 2.75],
  ['-½', -0.5],
])('reads %j as a number', (typed, value) => {
  expect(readNumber(typed)).toEqual({ value });
});

test.each(['', 'x', '1.2.3', '1,2,3', '12 34', '12 bar', '1e5', '--3', 'Infinity', '0x10', '½½'])(
  'refuses %j with words',
  (typed) => {
    expect(readNumber(typed)).toHaveProperty('problem');
  },
);

test.each([
  ['1,234', [1.234, 1234]],
  ['12,000', [12, 12_000]],
  ['-3,500', [-3.5, -3500]],
])('asks which of two %j is', (typed, either) => {
  expect(readNumber(typed)).toMatchObject({
    either,
    problem: expect.stringMatching(/^Is this/) as unknown,
  });
  expect(readNumber(typed, { comma: 'decimal' })).toEqual({ value: either[0] });
  expect(readNumber(typed, { comma: 'thousands' })).toEqual({ value: either[1] });
});

test('a unit may follow, if it is the one the value is in', () => {
  const units = ['°C', 'Cel'];
  expect(readNumber('12.5 °C', { units })).toEqual({ value: 12.5 });
  expect(readNumber('12.5°c', { units })).toEqual({ value: 12.5 });
  expect(readNumber('12.5 Cel', { units })).toEqual({ value: 12.5 });
  expect(readNumber('12.5 °F', { units })).toMatchObject({
    problem: 'Leave the unit away, or write it as °C or Cel.',
  });
  expect(readNumber('7x', { units })).toEqual({ problem: 'Write a number, such as 12.5.' });
});

test.each([
  [['1,5', '1,234'], { comma: 'decimal' }],
  [['0,75', '12,000'], { comma: 'decimal' }],
  [['1,234.5', '1,234'], { comma: 'thousands' }],
  [['1,234,567', '12,000'], { comma: 'thousands' }],
  [['1,234', '12,000'], {}],
  [['1,5', '1,234.5'], {}],
  [['12', 'x'], {}],
])('a column of %j says what its commas are', (texts, writing) => {
  expect(writingOf(texts)).toEqual(writing);
});

describe('a limit as it is written', () => {
  const pairs = CONVERTIBLE_UNITS.flatMap((from) =>
    CONVERTIBLE_UNITS.filter((to) => to !== from && canConvert(from, to)).map(
      (to) => [from, to] as const,
    ),
  );
  const limit = fc
    .tuple(fc.integer({ min: 1, max: 99_999 }), fc.integer({ min: -1, max: 3 }))
    .map(([digits, places]) => Number(`${digits}e-${places}`.replace('--', '')));

  test('in another unit, typed in exactly, raises no alert', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        limit,
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        ([from, to], low, more) => {
          const range = { low, high: Number((low * (1 + more)).toPrecision(5)) };
          const shown = rangeIn(range, from, to);
          for (const end of [shown.low, shown.high])
            expect(judgeRange(tidy(convert(Number(String(end)), to, from)), range)).toBe('within');
        },
      ),
      { numRuns: 5_000 },
    );
  });

  test('says no more digits than people write, and stays close to what it means', () => {
    expect(rangeIn({ low: 20, high: 65 }, 'Cel', '[degF]')).toEqual({ low: 68, high: 149 });
    expect(rangeIn({ high: 4.5 }, 'bar', '[psi]')).toEqual({ high: 65.26 });
    expect(rangeIn({ low: 4.5 }, 'bar', '[psi]')).toEqual({ low: 65.27 });
    expect(sayRange({ high: 7.302439024390244 }, 'Ω')).toBe('up to 7.302 Ω');
    expect(sayRange({ low: 7.302439024390244 }, 'Ω')).toBe('at least 7.303 Ω');
    expect(sayRange({ low: 0.5, high: 12_345.6 })).toBe('0.5 to 12345.6');
  });

  test('a difference of temperatures has no zero of its own', () => {
    expect(convert(10, 'Cel{difference}', '[degF]{difference}')).toBeCloseTo(18, 10);
    expect(convert(0, 'Cel{difference}', '[degF]{difference}')).toBe(0);
    expect(canConvert('Cel', 'Cel{difference}')).toBe(false);
    expect(writeUnit('[degF]{difference}')).toBe('°F');
  });
});

test('what rounds to nothing is neither above nor below it', () => {
  expect(writeNumber(-0.04, 1)).toBe('0.0');
  expect(writeNumber(-0.06, 1)).toBe('-0.1');
});

test.each([
  ['[ppm]', 'ppm'],
  ['[pH]', 'pH'],
  ['1', ''],
  ['mm/s', 'mm/s'],
])('%s is written %j', (code, words) => {
  expect(writeUnit(code)).toBe(words);
});

describe('what is unusual at the end of a series', () => {
  // Critical values of Student's t, two-sided (NIST/SEMATECH e-Handbook, 1.3.6.7.2; from memory).
  test.each([
    [2.228, 10, 0.05],
    [4.032, 5, 0.01],
    [2.045, 29, 0.05],
    [3.169, 10, 0.01],
    [12.706, 1, 0.05],
    [31.599, 2, 0.001],
  ])('t beyond %d with %d degrees of freedom', (t, freedom, chance) => {
    expect(chanceBeyond(t, freedom)).toBeCloseTo(chance, 4);
  });

  let seed = 11;
  const chance = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());
  const steady = (count: number): number[] => Array.from({ length: count }, normal);

  test('is seldom seen in steady readings, and mostly where something changed', () => {
    let [hints, jumps, shifts, tries] = [0, 0, 0, 0];
    const foundWithin = (visits: number, by: number, series: number[]): boolean => {
      for (let visit = 0; visit < visits; visit++)
        if (unusualAtEnd([...series, ...Array.from({ length: visit + 1 }, () => normal() + by)]))
          return true;
      return false;
    };
    for (let run = 0; run < 3_000; run++) {
      const length = 6 + (run % 25);
      tries++;
      if (unusualAtEnd(steady(length))) hints++;
      if (foundWithin(4, 3, steady(length))) jumps++;
      if (foundWithin(4, 2, steady(length))) shifts++;
    }
    expect(hints / tries).toBeLessThan(1 / 200);
    expect(jumps / tries).toBeGreaterThan(0.6);
    expect(shifts / tries).toBeGreaterThan(0.5);
  });

  test('is never one step of the instrument in a series that stood still', () => {
    expect(unusualAtEnd([5, 5, 5, 5, 5, 5, 5, 5, 6])).toBeNull();
    expect(unusualAtEnd([5.1, 5.1, 5.1, 5.1, 5.1, 5.1, 5.2], 0.1)).toBeNull();
    expect(unusualAtEnd([5, 5, 5, 5, 5, 5, 5, 5, 50])).toMatchObject({
      kind: 'jump',
      direction: 'higher',
    });
    expect(unusualAtEnd([5, 5, 5, 5])).toBeNull();
    expect(unusualAtEnd([])).toBeNull();
  });
});
