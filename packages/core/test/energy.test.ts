import fc from 'fast-check';
import { npv, pmt } from 'financial';
import { linearRegression } from 'simple-statistics';
import { flowAt, leakageArea } from '../src/trades/energy/air.ts';
import { bridgedLayer, conductionSaving, gainUse, uValue } from '../src/trades/energy/envelope.ts';
import { loanPayment, netPresentValue, paybackYears } from '../src/trades/energy/money.ts';

// ISO 6946: a wall of 0.015 plaster (0.57), 0.24 brick (0.77), 0.1 insulation (0.035), 0.02 render (0.87), in m
// and W/(m·K): R = 0.0263 + 0.3117 + 2.8571 + 0.0230 = 3.2181; U = 1 / (0.13 + 3.2181 + 0.04), by hand.
test('a wall in layers', () => {
  const layers = [
    [0.015, 0.57],
    [0.24, 0.77],
    [0.1, 0.035],
    [0.02, 0.87],
  ] as const;
  const resistance = layers.reduce((sum, [metres, conductivity]) => sum + metres / conductivity, 0);
  expect(uValue(resistance, 'across')).toBeCloseTo(0.29516, 4);
  // Surfaces alone: a roof loses more than a floor.
  expect(uValue(0, 'up')).toBeCloseTo(1 / 0.14, 9);
  expect(uValue(0, 'down')).toBeCloseTo(1 / 0.21, 9);
});

// ISO 6946, 6.7.2: 0.15 m of insulation 0.04 with 15 % of timber 0.13. Upper: 1 / (0.85/3.92 + 0.15/1.32385) −
// 0.17 = 2.8590; lower: 1 / (0.85/3.75 + 0.15/1.15385) = 2.8037; their mean 2.8314 (by hand).
test('a layer with studs in it lies between its limits', () => {
  expect(bridgedLayer(0.15, 0.04, 0.13, 0.15)).toBeCloseTo(2.8314, 3);
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.4, noNaN: true }),
      fc.double({ min: 0.02, max: 0.2, noNaN: true }),
      fc.double({ min: 0.05, max: 2, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (thickness, own, other, share) => {
        const resistance = bridgedLayer(thickness, own, other, share);
        const ends = [thickness / own, thickness / other].sort((a, b) => a - b);
        expect(resistance).toBeGreaterThanOrEqual((ends[0] ?? 0) - 1e-9);
        expect(resistance).toBeLessThanOrEqual((ends[1] ?? 0) + 1e-9);
      },
    ),
  );
  expect(bridgedLayer(0.1, 0.04, 0.13, 0)).toBeCloseTo(2.5, 9);
});

// ΔU 1.2 × 50 m² × 3,000 K·d × 24 h / 0.9 / 1000 = 4,800 kWh (by hand).
test('what a better wall saves', () => {
  expect(conductionSaving(1.2, 50, 3000, 0.9)).toBeCloseTo(4800, 9);
});

// ISO 13790: at γ = 1 a / (a + 1); τ = 45 h gives a = 4, so 0.8; γ = 0.5: (1 − 0.0625) / (1 − 0.03125).
test('how much of the gains is of use', () => {
  expect(gainUse(1, 45)).toBeCloseTo(0.8, 9);
  expect(gainUse(0.5, 45)).toBeCloseTo(0.9375 / 0.96875, 9);
  expect(gainUse(0, 45)).toBe(1);
  expect(gainUse(Infinity, 45)).toBe(0);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1e6, noNaN: true }),
      fc.double({ min: 0, max: 1000, noNaN: true }),
      (ratio, hours) => {
        const use = gainUse(ratio, hours);
        expect(use).toBeGreaterThanOrEqual(0);
        expect(use).toBeLessThanOrEqual(1);
        // What is used is never more than what is lost.
        expect(use * ratio).toBeLessThanOrEqual(1 + 1e-9);
      },
    ),
  );
});

// ISO 9972: the power law is a straight line on logarithms (simple-statistics finds the exponent again).
test('flow at another pressure, and the opening as large as all leaks', () => {
  const points = [10, 20, 30, 50, 70].map((pressure) => [
    Math.log(pressure),
    Math.log(flowAt(1500, 50, 0.65, pressure)),
  ]);
  expect(linearRegression(points).m).toBeCloseTo(0.65, 9);
  // 1,500 × (4/50)^0.65 = 290.45 m³/h = 0.080680 m³/s; × √(1.2/8) = 0.031248 m² = 312.5 cm² (by hand).
  expect(leakageArea(1500, 0.65)).toBeCloseTo(312.5, 0);
});

// 200,000 at 6.5 % a year over 360 months: 1,264.14 a month (check value of the trade).
test('what a loan costs each month', () => {
  expect(loanPayment(200_000, 6.5, 360)).toBeCloseTo(1264.14, 2);
  expect(loanPayment(1200, 0, 12)).toBe(100);
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1_000_000 }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      fc.integer({ min: 1, max: 480 }),
      (sum, percent, months) => {
        // Month by month, nothing is left at the end.
        const payment = loanPayment(sum, percent, months);
        let owed = sum;
        for (let month = 0; month < months; month++) owed = owed * (1 + percent / 1200) - payment;
        expect(Math.abs(owed)).toBeLessThan(sum * 1e-6 + 1e-6);
      },
    ),
  );
});

// 1,000 a year for 10 years at 5 %: 7,721.73 now (annuity factor 7.7217, by hand).
test('what a saving is worth now, and when it has paid', () => {
  expect(netPresentValue(5000, 1000, 5, 10)).toBeCloseTo(2721.73, 2);
  expect(netPresentValue(5000, 1000, 0, 10)).toBe(5000);
  fc.assert(
    fc.property(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      (percent, years) => {
        let worth = 0;
        for (let year = 1; year <= years; year++) worth += 100 / (1 + percent / 100) ** year;
        const found = netPresentValue(0, 100, percent, years);
        expect(Math.abs(found - worth)).toBeLessThan(Math.abs(worth) * 1e-6 + 1e-6);
      },
    ),
  );
  expect(paybackYears(3000, 600)).toBe(5);
  expect(paybackYears(3000, 0)).toBe(Infinity);
  expect(paybackYears(-10, 0)).toBe(0);
});

test('what no house has is refused, and says what would be right', () => {
  expect(() => uValue(-1, 'up')).toThrow('0 or more');
  expect(() => uValue(1, 'sideways')).toThrow('"up", "across" or "down"');
  expect(() => bridgedLayer(0.1, 0.04, 0.13, 1.4)).toThrow('from 0 to 1');
  expect(() => conductionSaving(1, -5, 3000, 0.9)).toThrow('0 or more');
  expect(() => conductionSaving(1, 5, 3000, 0)).toThrow('such as 0.9');
  expect(() => gainUse(-1, 10)).toThrow('0 or more');
  expect(() => flowAt(100, 50, 0.3, 4)).toThrow('between 0.5 and 1');
  expect(() => loanPayment(100, 5, 0)).toThrow('above 0');
  expect(() => netPresentValue(1, 1, -100, 5)).toThrow('−100 %');
});

test('loans and present values are those of another library, whatever is asked', () => {
  // The library “financial” (a port of NumPy's financial functions).
  const rate = fc.double({ min: 0.05, max: 25, noNaN: true });
  const sum = fc.double({ min: 1, max: 1e6, noNaN: true });
  fc.assert(
    fc.property(sum, rate, fc.integer({ min: 1, max: 480 }), (loan, percent, months) => {
      const other = -pmt(percent / 100 / 12, months, loan);
      expect(loanPayment(loan, percent, months) / other).toBeCloseTo(1, 7);
    }),
  );
  fc.assert(
    fc.property(sum, sum, rate, fc.integer({ min: 1, max: 60 }), (cost, yearly, percent, years) => {
      const other = npv(percent / 100, [-cost, ...Array<number>(years).fill(yearly)]);
      const scale = cost + yearly * years;
      expect((netPresentValue(cost, yearly, percent, years) - other) / scale).toBeCloseTo(0, 9);
    }),
  );
});
