import fc from 'fast-check';
import {
  CONDITION_RULES,
  CONDITIONS,
  heldBy,
  problemWithPlacing,
  purposesOf,
  seenFor,
  treeOf,
  wayTo,
  type Belonging,
  type Standing,
} from '../src/register/index.ts';

const thing = (id: string, within: string | null, area = false): Standing => ({
  ...{ id, within, area },
  name: id,
});

const PLACE = [
  thing('Pump 10', 'Valve room'),
  thing('Pump 2', 'Valve room'),
  thing('Valve room', 'House', true),
  thing('Bearing', 'Pump 2'),
  thing('House', null, true),
  thing('Gate', null),
];

/** Things that stand in each other anyhow: in what is not there, and in themselves. */
const anyPlace = fc
  .uniqueArray(fc.constantFrom(...'abcdefgh'), { minLength: 1 })
  .chain((ids) =>
    fc.tuple(
      ...ids.map((id) =>
        fc
          .tuple(fc.option(fc.constantFrom(...'abcdefghz')), fc.boolean())
          .map(([within, area]) => thing(id, within, area)),
      ),
    ),
  );

describe('the tree', () => {
  test('has areas before things, both by name, each below what it stands in', () => {
    expect(treeOf(PLACE).map(({ thing: { name }, depth }) => `${depth} ${name}`)).toEqual([
      ...['0 House', '1 Valve room', '2 Pump 2', '3 Bearing', '2 Pump 10', '0 Gate'],
    ]);
  });

  test('leaves nothing out and shows nothing twice, however things are entangled', () => {
    fc.assert(
      fc.property(anyPlace, (things) => {
        const shown = treeOf(things).map((line) => line.thing.id);
        expect([...shown].sort()).toEqual(things.map(({ id }) => id).sort());
      }),
    );
  });

  test('a way is finite, and leads from the outermost inwards', () => {
    const known = new Map(PLACE.map((each) => [each.id, each]));
    const bearing = known.get('Bearing');
    expect(bearing && wayTo(bearing, known).map(({ name }) => name)).toEqual([
      ...['House', 'Valve room', 'Pump 2'],
    ]);
    fc.assert(
      fc.property(anyPlace, (things) => {
        const all = new Map(things.map((each) => [each.id, each]));
        for (const each of things) {
          const way = wayTo(each, all).map(({ id }) => id);
          expect(new Set(way).size).toBe(way.length);
          expect(way).not.toContain(each.id);
        }
      }),
    );
  });
});

describe('placing', () => {
  test.each([
    ['Pump 2', 'Bearing', 'in itself'],
    ['Pump 2', 'Pump 2', 'in itself'],
    ['House', 'Valve room', 'in itself'],
    ['House', 'Gate', 'area in a thing'],
    ['Gate', 'nowhere', 'not there'],
    ['Gate', 'Valve room', null],
    ['Bearing', 'Gate', null],
    ['Bearing', null, null],
  ] as const)('%s in %s: %s', (id, within, problem) => {
    const moved = PLACE.find((each) => each.id === id);
    expect(moved && problemWithPlacing(moved, within, PLACE)).toBe(problem);
  });

  test('what may be placed so never makes a circle', () => {
    const orderly = anyPlace.map((things) =>
      things.filter((each) => !heldBy(each.id, things).has(each.id)),
    );
    fc.assert(
      fc.property(orderly, fc.nat(), fc.nat(), (things, one, other) => {
        const [moved, to] = [things[one % things.length], things[other % things.length]];
        if (!moved || !to || problemWithPlacing(moved, to.id, things) !== null) return;
        const after = things.map((each) =>
          each.id === moved.id ? { ...each, within: to.id } : each,
        );
        expect(heldBy(moved.id, after).has(moved.id)).toBe(false);
      }),
    );
  });
});

test('whatever is poor or failed needs eyes, and nothing else does', () => {
  expect(CONDITIONS.filter((each) => CONDITION_RULES[each].needsEyes)).toEqual(['poor', 'failed']);
});

describe('seen for one purpose', () => {
  const of = (
    id: string,
    within: string | null,
    { serves, alsoIn = [] }: { serves?: string[]; alsoIn?: string[] } = {},
  ): Belonging => ({
    ...thing(id, within, serves !== undefined),
    ...{ purposes: serves ?? [], alsoIn },
  });
  const HOUSE = [
    of('Floor', null, { serves: ['cleaning'] }),
    of('Kitchen', 'Floor', { serves: ['Heating '], alsoIn: ['Zone 2'] }),
    of('Hall', 'Floor', { serves: [] }),
    of('Zone 1', null, { serves: ['fire'] }),
    of('Zone 2', null, { serves: ['fire'] }),
    of('Detector 1', 'Kitchen'),
    of('Detector 2', 'Hall', { alsoIn: ['Zone 1'] }),
    of('Base of 2', 'Detector 2'),
    of('Radiator', 'Kitchen'),
    of('Gate', null),
  ];
  const shown = (purpose: string): string[] =>
    treeOf(seenFor(HOUSE, purpose)).map(({ thing: { name }, depth }) => `${depth} ${name}`);

  test('a thing stands in its own area for it, else in that of the room it stands in', () => {
    expect(shown('fire')).toEqual([
      ...['0 Zone 1', '1 Detector 2', '2 Base of 2'],
      ...['0 Zone 2', '1 Detector 1', '1 Radiator', '0 Gate'],
    ]);
    expect(shown('heating')).toEqual([
      ...['0 Kitchen', '1 Detector 1', '1 Radiator'],
      ...['0 Detector 2', '1 Base of 2', '0 Gate'],
    ]);
    expect(shown('cleaning')[0]).toBe('0 Floor');
    expect(shown('cleaning')).toContain('1 Radiator');
  });

  test('each purpose is named once', () => {
    expect(purposesOf(HOUSE)).toEqual(['cleaning', 'fire', 'Heating']);
  });

  test('every thing is there once, and only areas that serve it, however all is entangled', () => {
    const ids = fc.constantFrom(...'abcdefghz');
    const any = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { minLength: 1 }).chain((names) =>
      fc.tuple(
        ...names.map((id) =>
          fc
            .tuple(fc.option(ids), fc.boolean(), fc.boolean(), fc.array(ids, { maxLength: 3 }))
            .map(([within, area, fire, alsoIn]) => ({
              ...thing(id, within, area),
              ...{ purposes: fire ? ['fire'] : [], alsoIn },
            })),
        ),
      ),
    );
    fc.assert(
      fc.property(any, (things) => {
        const lines = treeOf(seenFor(things, 'fire'));
        expect(lines.map((line) => line.thing.id).sort()).toEqual(
          things
            .filter(({ area, purposes }) => !area || purposes.length > 0)
            .map(({ id }) => id)
            .sort(),
        );
      }),
    );
  });
});
