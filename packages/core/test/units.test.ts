import { UcumLhcUtils } from '@lhncbc/ucum-lhc';
import { sampleStandardDeviation, mean } from 'simple-statistics';
import fc from 'fast-check';
import {
  canConvert,
  convert,
  CONVERTIBLE_UNITS,
  individualsChart,
  runRules,
  tidy,
  unitFor,
} from '../src/measure/index.ts';

const reference = UcumLhcUtils.getInstance();

/** For differences of temperatures the reference has the units that begin at nothing. */
const DIFFERENCES: Record<string, string> = {
  'K{difference}': 'K',
  'Cel{difference}': 'K',
  '[degF]{difference}': '[degR]',
};
const known = (unit: string): string => DIFFERENCES[unit] ?? unit;

// The reference for every conversion we offer: @lhncbc/ucum-lhc.
describe('a conversion is that of the reference', () => {
  const pairs = CONVERTIBLE_UNITS.flatMap((from) =>
    CONVERTIBLE_UNITS.filter((to) => to !== from && canConvert(from, to)).map(
      (to) => [from, to] as const,
    ),
  );
  test.each(pairs)('from %s to %s', (from, to) => {
    for (const value of [0, 1, -40, 123.456]) {
      const { status, toVal } = reference.convertUnitTo(known(from), value, known(to));
      expect(status).toBe('succeeded');
      expect(convert(value, from, to)).toBeCloseTo(toVal ?? NaN, 5);
      const scale = Math.max(1e-9, Math.abs(toVal ?? 0));
      expect(Math.abs(convert(value, from, to) - (toVal ?? NaN)) / scale).toBeLessThan(1e-5);
    }
  });

  // NIST SP 811, appendix B.
  test.each([
    ['[psi]', 'kPa', 6.894757],
    ['[ft_i].[lbf_av]', 'N.m', 1.355818],
    ['[gal_us]', 'L', 3.785412],
    ['[Btu_IT]', 'J', 1055.056],
  ])('one %s in %s', (from, to, value) => {
    expect(convert(1, from, to)).toBeCloseTo(value, 3);
  });

  test('there and back again it is the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (pair, value) => {
          const [from, to] = pair;
          const back = convert(convert(value, from, to), to, from);
          expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-9 * Math.max(1e3, Math.abs(value)));
        },
      ),
    );
  });

  test('a whole degree Celsius given in Fahrenheit is that degree, zero included', () => {
    for (let celsius = -270; celsius <= 1500; celsius += 5)
      expect(convert((celsius * 9) / 5 + 32, '[degF]', 'Cel')).toBe(celsius);
  });

  test('a limit given in another unit is still that limit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        fc.integer({ min: -99_999, max: 99_999 }),
        ([from, to], thousandths) => {
          const limit = thousandths / 1000;
          expect(tidy(convert(convert(limit, from, to), to, from))).toBeCloseTo(limit, 8);
        },
      ),
    );
  });

  test('what measures something else is refused', () => {
    expect(canConvert('bar', 'Cel')).toBe(false);
    expect(() => convert(1, 'bar', 'Cel')).toThrow(RangeError);
  });

  test('people see the unit of their own system where the question has one', () => {
    expect(unitFor(['N.m', '[ft_i].[lbf_av]'], 'US')).toBe('[ft_i].[lbf_av]');
    expect(unitFor(['N.m', '[ft_i].[lbf_av]'], 'SI')).toBe('N.m');
    expect(unitFor(['V'], 'US')).toBe('V');
  });
});

// NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2: flow rates of ten batches.
const FLOW = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];

describe('a chart of individuals', () => {
  test('has the centre and limits of the handbook', () => {
    const chart = individualsChart(FLOW);
    expect(chart.centre).toBeCloseTo(50.81, 2);
    expect(chart.high).toBeCloseTo(55.8041, 3);
    expect(chart.low).toBeCloseTo(45.8159, 3);
  });

  // The statistics library simple-statistics for mean and spread.
  test('has the mean of the reference, and a sigma of its order for a steady process', () => {
    let seed = 7;
    const values = Array.from({ length: 400 }, () => {
      seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31;
      return seed / 2 ** 31;
    });
    const chart = individualsChart(values);
    expect(chart.centre).toBeCloseTo(mean(values), 10);
    expect(chart.sigma / sampleStandardDeviation(values)).toBeGreaterThan(0.7);
    expect(chart.sigma / sampleStandardDeviation(values)).toBeLessThan(1.4);
  });

  // The eight rules of L. S. Nelson (1984), on a chart with centre 0 and sigma 1.
  const chart = { centre: 0, sigma: 1, low: -3, high: 3 };
  const steady = (count: number, value: number): number[] =>
    Array.from({ length: count }, () => value);
  test.each([
    [1, [0.2, -0.4, 3.1]],
    [2, steady(9, 0.3)],
    [3, [-1.2, -0.6, -0.1, 0.3, 0.7, 1.4]],
    [4, Array.from({ length: 14 }, (_, i) => (i % 2 ? 0.4 : -0.4))],
    [5, [2.1, 0.1, 2.2]],
    [6, [1.1, 1.3, 0.2, 1.2, 1.4]],
    [7, Array.from({ length: 15 }, (_, i) => (i % 3) * 0.3 - 0.3)],
    [8, [1.2, -1.3, 1.4, 1.1, -1.5, 1.2, -1.1, 1.3]],
  ])('names rule %i', (rule, values) => {
    expect(runRules(values, chart).map((found) => found.rule)).toContain(rule);
  });

  test('names nothing in what is usual', () => {
    expect(runRules([0.3, -0.6, 0.9, -0.2, 1.2, 0.1], chart)).toEqual([]);
  });
});
