import fc from 'fast-check';
import {
  bandOf,
  conditionsOf,
  layOut,
  limitsOf,
  MATERIALS,
  MOST_SPOTS,
  pictureOf,
  PROPERTY,
  wallsOf,
  wetAt,
  type Spot,
} from '../src/trades/property/index.ts';

const spot = fc.record<Spot>({
  across: fc.double({ min: 0, max: 12, noNaN: true }),
  up: fc.double({ min: 0, max: 4, noNaN: true }),
  wet: fc.double({ min: 0, max: 100, noNaN: true }),
});

test('between readings a wall is nowhere wetter than the wettest nor drier than the driest', () => {
  fc.assert(
    fc.property(fc.array(spot, { minLength: 1, maxLength: 12 }), spot, (spots, where) => {
      const wet = wetAt(spots, where.across, where.up) ?? NaN;
      const all = spots.map((each) => each.wet);
      expect(wet).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
      expect(wet).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
    }),
  );
});

test('at a reading it is that reading, and the order of readings does not matter', () => {
  fc.assert(
    fc.property(fc.array(spot, { minLength: 2, maxLength: 8 }), spot, (spots, where) => {
      const [first] = spots as [Spot, ...Spot[]];
      const here = spots.filter(
        ({ across, up }) => (across - first.across) ** 2 + (up - first.up) ** 2 < 1e-8,
      );
      expect(wetAt(spots, first.across, first.up)).toBe(Math.max(...here.map(({ wet }) => wet)));
      const there = wetAt(spots, where.across, where.up) ?? NaN;
      expect(wetAt([...spots].reverse(), where.across, where.up)).toBeCloseTo(there, 6);
    }),
  );
  expect(wetAt([], 1, 1)).toBeNull();
});

test('weighted by the fourth power of the distance, by hand', () => {
  // 10 % a metre away and 4 % two metres away: (10 / 1 + 4 / 16) / (1 / 1 + 1 / 16) = 10.25 / 1.0625.
  const spots = [
    { across: 0, up: 1, wet: 10 },
    { across: 3, up: 1, wet: 4 },
  ];
  expect(wetAt(spots, 1, 1)).toBeCloseTo(10.25 / 1.0625, 12);
});

test('dry, damp and wet lie where the limits of the material say', () => {
  // Timber by EN 335 (value from memory), the others common practice, no source.
  const cases = [
    ['timber', 16, 'dry'],
    ['timber', 16.1, 'damp'],
    ['timber', 20, 'damp'],
    ['timber', 20.1, 'wet'],
    ['masonry', 3, 'dry'],
    ['masonry', 5, 'damp'],
    ['masonry', 5.1, 'wet'],
    ['board', 0.5, 'dry'],
    ['board', 1.1, 'wet'],
  ] as const;
  for (const [material, percent, band] of cases) expect(bandOf(material, percent)).toBe(band);
});

test('the picture of a wall is wholly covered by its tiles, and has each reading inside', () => {
  fc.assert(
    fc.property(fc.array(spot, { minLength: 1, maxLength: 20 }), (spots) => {
      const picture = pictureOf('masonry', spots);
      if (!picture) throw new Error('nothing was drawn');
      const { height, tiles, points } = picture;
      const covered = tiles.reduce((sum, tile) => sum + tile.width * tile.height, 0);
      expect(covered).toBeCloseTo(height, 6);
      for (const { x, y } of points) {
        expect(x).toBeGreaterThan(0);
        expect(x).toBeLessThan(1);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(height);
      }
      expect(height).toBeGreaterThanOrEqual(0.25);
      expect(height).toBeLessThanOrEqual(1);
    }),
  );
  expect(pictureOf('timber', [])).toBeNull();
  // What is still to be read lies inside as well, and changes nothing of what was.
  const read = [{ across: 1, up: 1, wet: 4 }];
  const wide = pictureOf('masonry', read, [{ across: 5, up: 1 }]);
  expect(wide?.unread).toEqual([{ x: 4.5 / 5, y: wide?.points[0]?.y }]);
  expect(wide?.tiles.every(({ band }) => band === 'damp')).toBe(true);
});

test('readings are laid out from the left and from the floor; what can’t be says why', () => {
  const laid = layOut(3, 2, 0.5);
  if ('problem' in laid) throw new Error(laid.problem);
  expect(laid.places.map(({ across, up }) => [across, up])).toEqual([
    ...[0.25, 0.75, 1.25].map((across) => [across, 0.25]),
    ...[0.25, 0.75, 1.25].map((across) => [across, 0.75]),
  ]);
  expect(laid.places[4]?.name).toBe('2 across, 2 up');
  const wrong: [number, number, number][] = [
    [0, 2, 1],
    [2, 1.5, 1],
    [2, 2, 0],
    [2, 2, 11],
    [NaN, 2, 1],
    [MOST_SPOTS, 2, 1],
  ];
  for (const each of wrong) expect(layOut(...each)).toHaveProperty('problem');
});

test('what was not seen is said once for each reason, in the order of the areas', () => {
  const locked = { row: 'locked', label: 'Locked', words: 'Nobody had the key.' };
  const high = { row: 'high', label: 'Too high', words: 'From the ground.' };
  const areas = [
    { seen: 'part', limit: high },
    { seen: 'whole', limit: locked },
    { seen: 'not', limit: locked },
    { seen: 'part', limit: high },
    // Nobody has said why yet.
    { seen: 'not' },
    {},
  ];
  expect(limitsOf({ areas })).toEqual([
    { label: 'Too high', words: 'From the ground.', areas: [0, 3] },
    { label: 'Locked', words: 'Nobody had the key.', areas: [2] },
  ]);
  expect(PROPERTY.reckoning?.run({ areas })['notSeen']).toBe(4);
});

test('conditions are numbered as they stand, and marked only where they lie on the sketch', () => {
  const conditions = [
    { urgency: 'now', mark_x: 0, mark_y: 100 },
    { urgency: 'later', mark_x: 101, mark_y: 10 },
    { mark_x: 40 },
  ];
  expect(conditionsOf({ conditions })).toEqual([
    { at: 0, number: 1, urgency: 'now', mark: { x: 0, y: 1 } },
    { at: 1, number: 2, urgency: null, mark: null },
    { at: 2, number: 3, urgency: null, mark: null },
  ]);
});

test('whatever stands in a sheet, figures come of it or nothing does', () => {
  fc.assert(
    fc.property(
      fc.dictionary(fc.constantFrom('areas', 'walls', 'conditions', 'other'), fc.anything()),
      (answers) => {
        const reckoned = PROPERTY.reckoning?.run(answers) ?? {};
        for (const value of Object.values(reckoned)) expect(Number.isFinite(value)).toBe(true);
      },
    ),
  );
});

test('wet readings are counted for what each wall is made of', () => {
  const spots = [4, 6, 21].map((wet, at) => ({ spot_across: at, spot_up: 1, wet }));
  const walls = [
    { wall_material: 'masonry', spots },
    { wall_material: 'timber', spots },
    { spots },
    { wall_material: 'board', spots: [{ wet: 3 }, { spot_across: 1, spot_up: 1, wet: -2 }] },
  ];
  expect(wallsOf({ walls }).map((wall) => [wall.at, wall.spots.length])).toEqual([
    [0, 3],
    [1, 3],
    [3, 0],
  ]);
  expect(PROPERTY.reckoning?.run({ walls })).toMatchObject({ wetPlaces: 3, wettestReading: 21 });
  expect(MATERIALS).toHaveLength(3);
});
