import fc from 'fast-check';
import { linearRegression } from 'simple-statistics';
import {
  nearestWay,
  openTo,
  savingsOf,
  surveyOf,
  wantedOf,
  wholeLoss,
  worthOf,
  type House,
  type Measure,
  type Taken,
} from '../src/trades/energy/index.ts';
import { heatNeed, useOf } from '../src/trades/energy/heat.ts';
import { houseAfter, measureFrom } from '../src/trades/energy/measure.ts';
import { OVER_HOUSE } from '../src/trades/energy/over-house.ts';
import { onLine, pressureLine } from '../src/trades/energy/pressure-line.ts';
import { takenUp, termsOf } from '../src/trades/energy/taken-up.ts';

const OIL = { label: 'Oil', price: 0.12, emission: 0.27 };
const POWER = { label: 'Electricity', price: 0.3, emission: 0.1 };
const STATION = {
  degree_days: 3000,
  temperatures: '2 2 4 6 9 12 14 14 12 9 5 3',
  sun_south: '30 45 70 80 85 85 85 85 75 55 35 25',
  sun_side: '15 25 45 60 75 80 78 68 50 32 17 12',
  sun_north: '8 13 22 32 42 47 44 35 25 16 9 6',
};
const GRANT = { row: 'winter', target: 25, cap: 4000, discount: 3, interest: 4, months: 120 };

const measure = (code: string, more: object): object => ({
  ...{ row: code, label: code, life: 30, rebate: 0, rebate_cap: 0 },
  ...more,
});
const LOFT = measure('loft', { way: 'shell', fits: 'roof', cost: 30, adds: 5, rebate: 30 });
const SEAL = measure('seal', { way: 'air', cost: 900, saves: 40, barred_by: 'combustion mould' });
const PUMP = measure('pump', {
  ...{ way: 'heat', cost: 9000, efficiency: 300, rebate: 40, rebate_cap: 3000 },
  ...{ fuel: 'Electricity', fuel_price: 0.3, fuel_emission: 0.1 },
});
const LAMPS = measure('lamps', { way: 'base', cost: 120, saves: 15 });

const ANSWERS = {
  ...{ floor_area: 120, room_height: 2.5, bedrooms: 3, station: STATION, grant: GRANT },
  ...{ heat_fuel: OIL, heat_efficiency: 80, arrives: 90, base_fuel: POWER, base_load: 2500 },
  ...{ water_fuel: OIL, water_efficiency: 70, water_need: 2000 },
  parts: [
    { part_kind: 'wall', area: 100, u_now: 1.4 },
    { part_kind: 'roof', area: 70, u_now: 0.9, borders: 'unheated', measure: LOFT },
    { part_kind: 'floor', area: 60, u_now: 0.8, borders: 'ground' },
    { part_kind: 'window', area: 18, u_now: 2.8, faces: 'south' },
  ],
  pressure_points: [10, 20, 30, 40, 50, 60].map((pressure) => ({
    pressure,
    flow: 120 * pressure ** 0.65,
  })),
};

const houseFor = (answers: object): House => {
  const survey = surveyOf({ ...answers });
  if (!survey) throw new Error('there is no house');
  return survey.house;
};

// simple-statistics fits the same points on logarithms.
test('the line through the pressure points is the one that others draw', () => {
  const points = [
    { pressure: 60, flow: 1705 },
    { pressure: 50, flow: 1540 },
    { pressure: 40, flow: 1310 },
    { pressure: 30, flow: 1105 },
    { pressure: 20, flow: 835 },
  ];
  const line = pressureLine(points);
  const { m, b } = linearRegression(
    points.map(({ pressure, flow }) => [Math.log(pressure), Math.log(flow)]),
  );
  expect(line?.exponent).toBeCloseTo(m, 9);
  expect(line?.coefficient).toBeCloseTo(Math.exp(b), 6);
  expect(line && onLine(line, 50)).toBeCloseTo(Math.exp(b + m * Math.log(50)), 6);
  expect(pressureLine(points.slice(0, 2))).toBeNull();
  expect(pressureLine(points.map(({ flow }) => ({ pressure: 50, flow })))).toBeNull();
  expect(pressureLine([...points, { pressure: 0, flow: -4 }])).toEqual(line);
});

// By hand: 100 × 1.4 + 70 × 0.9 × 0.7 + 60 × 0.8 × 0.5 + 18 × 2.8 = 258.5 W/K; gaps: 120 × 50^0.65 = 1,525.9 m³/h
// at 50 Pa, a twentieth of it by itself, 0.33 Wh/(m³·K): 25.18 W/K. 3,000 K·d × 24 h: 283.68 × 72 = 20,425 kWh.
test('what a house loses, by degree days', () => {
  const house = houseFor({ ...ANSWERS, grant: { ...GRANT, method: 'degree days' } });
  expect(wholeLoss(house)).toBeCloseTo(258.5 + 25.18, 1);
  expect(heatNeed(house, wholeLoss(house))).toBeCloseTo(20_425, -1);
  // 20,425 / (0.8 × 0.9) of oil for heat, 2,000 / 0.7 for water, and 2,500 of electricity.
  const use = useOf(house);
  expect(use.byFuel.get('Oil')).toBeCloseTo(20_425 / 0.72 + 2_857.1, -1);
  expect(use.byFuel.get('Electricity')).toBe(2_500);
});

// January by hand (ISO 13790, monthly): 283.68 W/K × 18 K × 31 d × 24 h = 3,799.0 kWh lost; given 5 W/m² × 120 m² ×
// 744 h = 446.4 and 18 m² × 0.9 × 0.7 × 0.65 × 30 = 221.1, 667.5 in all: γ = 0.17571; τ = 45.833 × 120 / 283.68 =
// 19.388 h, a = 2.2925; η = (1 − 0.018563) / (1 − 0.003262) = 0.98465; 3,799.0 − 657.3 = 3,141.7 kWh.
test('what a month needs, by losses and gains', () => {
  const house = houseFor(ANSWERS);
  const cold = { ...house.climate, temperatures: [2, ...Array<number>(11).fill(20)] };
  expect(heatNeed({ ...house, climate: cold }, wholeLoss(house))).toBeCloseTo(3_141.7, -1);
});

// By hand: 70 m² of roof at 30 are 2,100, of which 30 % are given back: 630.
test('what a measure costs, and gives back up to the cap', () => {
  const survey = surveyOf(ANSWERS);
  expect(survey && worthOf(survey.savings, survey.terms)).toMatchObject({
    ...{ cost: 2_100, rebate: 630, net: 1_470 },
  });
  const dear = surveyOf({ ...ANSWERS, heat_measure: PUMP, grant: { ...GRANT, cap: 3_200 } });
  expect(dear && worthOf(dear.savings, dear.terms)).toMatchObject({
    ...{ cost: 11_100, rebate: 3_200, net: 7_900 },
  });
  expect(survey && wantedOf(survey)).toBeCloseTo(survey ? survey.savings.before.total / 4 : 0, 6);
});

test('another fuel saves one and uses another', () => {
  const answers = { ...ANSWERS, heat_measure: PUMP };
  const [loft, pump] = surveyOf(answers)?.savings.each ?? [];
  expect(loft?.byFuel.get('Oil')).toBeGreaterThan(0);
  expect(pump?.byFuel.get('Oil')).toBeGreaterThan(0);
  expect(pump?.byFuel.get('Electricity')).toBeLessThan(0);
});

test('what is barred never counts, until the danger is resolved', () => {
  const sealed = { ...ANSWERS, air_measure: SEAL };
  const saved = (answers: object) => OVER_HOUSE.run({ ...answers }).savedSoFar as number;
  expect(saved(sealed)).toBeGreaterThan(saved(ANSWERS));
  const barred = { ...sealed, draught: 'no' };
  expect(saved(barred)).toBe(saved(ANSWERS));
  expect(OVER_HOUSE.run(barred).barredBy).toBe('combustion');
  expect(saved({ ...barred, combustion_resolved: 'yes' })).toBe(saved(sealed));
  expect(saved({ ...sealed, monoxide: 12 })).toBe(saved(ANSWERS));
  // A measure of another programme, of another kind of part, and one that would make it worse.
  const withRoof = (measure: object) => ({
    ...ANSWERS,
    parts: ANSWERS.parts.map((part) => (part.part_kind === 'roof' ? { ...part, measure } : part)),
  });
  expect(saved(withRoof(LOFT))).toBeGreaterThan(0);
  for (const other of [
    { ...LOFT, programmes: 'summer' },
    { ...LOFT, fits: 'floor' },
    { ...LOFT, adds: 0, u_then: 2 },
  ])
    expect(saved(withRoof(other))).toBe(0);
});

test('rows of which something is missing, or can’t be, hold up nothing', () => {
  const before = OVER_HOUSE.run(ANSWERS);
  expect(before.savedSoFar).toBeGreaterThan(0);
  for (const odd of [{}, { part_kind: 'wall' }, { part_kind: 'cellar', area: 3, u_now: 1 }])
    expect(OVER_HOUSE.run({ ...ANSWERS, parts: [odd, ...ANSWERS.parts] })).toEqual(before);
  for (const odd of [-4, Number.NaN, '12', null])
    expect(
      OVER_HOUSE.run({
        ...ANSWERS,
        parts: [...ANSWERS.parts, { part_kind: 'wall', area: odd, u_now: 1, measure: LOFT }],
      }),
    ).toEqual(before);
  expect(OVER_HOUSE.run({ ...ANSWERS, heat_efficiency: 0 }).savedSoFar).toBeUndefined();
  // Weather that can’t be read by the month is counted by degree days.
  expect(OVER_HOUSE.run({ ...ANSWERS, station: { ...STATION, temperatures: 'cold' } })).toEqual(
    OVER_HOUSE.run({ ...ANSWERS, grant: { ...GRANT, method: 'degree days' } }),
  );
});

const aMeasure = fc.record({
  way: fc.constantFrom('shell', 'air', 'heat', 'water', 'base'),
  fits: fc.constantFrom('wall', 'roof wall', 'window', 'floor roof'),
  cost: fc.integer({ min: 1, max: 200 }),
  adds: fc.integer({ min: 0, max: 6 }),
  saves: fc.integer({ min: 0, max: 100 }),
  efficiency: fc.constantFrom(90, 98, 320),
  rebate: fc.constantFrom(0, 20, 50),
  fuel: fc.constantFrom('Oil', 'Electricity'),
});
const someMeasures = fc
  .array(aMeasure, { minLength: 1, maxLength: 7 })
  .map((rows) => rows.flatMap((row, at) => measureFrom({ ...measure(`m${at}`, row) }) ?? []));

/** Every measure where it could be taken up. */
const allOf = (house: House, measures: readonly Measure[]) =>
  openTo(house, [], measures, termsOf({}), []);

test('together measures never save more than the house uses, in whatever order they were entered', () => {
  const house = houseFor(ANSWERS);
  fc.assert(
    fc.property(someMeasures, fc.infiniteStream(fc.nat()), (measures, chance) => {
      const taken = allOf(house, measures).flatMap((options) => {
        const at = (chance.next().value as number) % (options.length + 1);
        return options[at] ?? [];
      });
      const terms = termsOf({});
      const { each, before, after } = savingsOf(house, taken, terms);
      const sum = each.reduce((all, { saved }) => all + saved, 0);
      expect(sum).toBeCloseTo(before.total - after.total, 6);
      expect(sum).toBeLessThanOrEqual(before.total + 1e-6);
      expect(after.total).toBeGreaterThanOrEqual(-1e-6);
      const other = savingsOf(house, [...taken].reverse(), terms);
      expect(other.each.map(({ saved }) => saved)).toEqual(each.map(({ saved }) => saved));
    }),
  );
});

/** Every choice there is, one after the other. */
function byHand(
  house: House,
  open: readonly (readonly Taken[])[],
  wanted: number,
  cap: number,
): number | null {
  let least: number | null = null;
  const go = (at: number, chosen: readonly Taken[]): void => {
    const options = open[at];
    if (options) {
      go(at + 1, chosen);
      for (const one of options) go(at + 1, [...chosen, one]);
      return;
    }
    if (useOf(chosen.reduce(houseAfter, house)).total > wanted * (1 + 1e-9)) return;
    const { net } = worthOf(savingsOf(house, chosen, termsOf({})), { ...termsOf({}), cap });
    if (least === null || net < least) least = net;
  };
  go(0, []);
  return least;
}

test('the nearest way to a target is the cheapest of all there are', () => {
  const house = houseFor(ANSWERS);
  const before = useOf(house).total;
  fc.assert(
    fc.property(
      someMeasures,
      fc.integer({ min: 1, max: 80 }),
      fc.constantFrom(0, 800, 4_000, 1e9),
      (measures, percent, cap) => {
        const open = allOf(house, measures);
        const wanted = before * (1 - percent / 100);
        const found = nearestWay(house, [], open, wanted, { ...termsOf({}), cap });
        const least = byHand(house, open, wanted, cap);
        if (least === null) expect(found).toBeNull();
        else {
          expect(found?.net).toBeCloseTo(least, 4);
          expect(found?.isLeast).toBe(true);
          expect(found?.total).toBeLessThanOrEqual(wanted * (1 + 1e-6));
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('a house where nothing is taken up pays back nothing, in no time that could be told', () => {
  const parts = ANSWERS.parts.map((part) => ({ ...part, measure: null }));
  const { savedSoFar, netOfAll, paidBackIn } = OVER_HOUSE.run({ ...ANSWERS, parts });
  expect({ savedSoFar, netOfAll, paidBackIn }).toEqual({ savedSoFar: 0, netOfAll: 0 });
});

test('what is taken up already stays, and only what it costs beyond that counts', () => {
  const house = houseFor(ANSWERS);
  const terms = termsOf(ANSWERS);
  const taken = takenUp(ANSWERS, house);
  const measures = [LOFT, SEAL, LAMPS].flatMap((each) => measureFrom({ ...each }) ?? []);
  const open = openTo(house, taken, measures, terms, []);
  expect(open.flat().map((one) => one.measure.code)).toEqual(['seal', 'lamps']);
  const now = useOf(taken.reduce(houseAfter, house)).total;
  expect(nearestWay(house, taken, open, now, terms)).toMatchObject({ net: 0, measures: [] });
  const way = nearestWay(house, taken, open, now - 300, terms);
  expect(way?.measures.map((one) => one.measure.code)).toEqual(['lamps']);
  expect(way?.net).toBe(120);
  expect(openTo(house, taken, measures, terms, ['mould']).flat().length).toBe(1);
});

test('a catalogue of thousands still gives an answer, that says it may not be the least', () => {
  const house = houseFor(ANSWERS);
  const many = Array.from({ length: 3_000 }, (_, at) => {
    const spread = (at * 7_919) % 997;
    const way = ['heat', 'water', 'base', 'shell'][at % 4] ?? 'shell';
    return measureFrom({
      ...measure(`m${at}`, {
        way,
        cost: 50 + spread,
        saves: 1 + (spread % 60),
        adds: spread / 150,
      }),
      ...{
        fits: 'wall roof floor window',
        fuel: 'Oil',
        efficiency: way === 'heat' ? 81 + spread / 60 : 0,
      },
    });
  }).flatMap((each) => each ?? []);
  const before = useOf(house).total;
  const way = nearestWay(house, [], allOf(house, many), before * 0.6, termsOf({}));
  expect(way?.total).toBeLessThanOrEqual(before * 0.6 * (1 + 1e-6));
  expect(way?.net).toBeGreaterThanOrEqual(way?.atLeast ?? Infinity);
});
