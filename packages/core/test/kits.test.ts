import fc from 'fast-check';
import type { AnswerValue, Entry } from '../src/log/index.ts';
import {
  everyQuestion,
  fold,
  isPrepared,
  OpenSheet,
  planSheet,
  prepareFor,
  problemsOf,
  type SheetState,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { KITS, kitsNeeded, loadAllKits, sayReckoned } from '../src/trades/index.ts';
import { WALLS } from './support/walls-kit/template.ts';

let turn = 0;
const entry = (path: string, value: AnswerValue | null, kind: Entry['kind'] = 'answer'): Entry => ({
  ...{ id: `0190${String(++turn).padStart(8, '0')}`, sheet: 's', path, kind, value, seen: [] },
  ...{ by: 'imke', device: 'd', at: '2031-01-01T08:00:00.000Z', prev: null },
});
const wall = (row: string, area: number, u: number): Entry[] => [
  entry(`walls/${row}`, { name: '', order: row.charCodeAt(0) }),
  entry(`walls/${row}/area`, area),
  entry(`walls/${row}/u`, u),
];
const result = (state: SheetState, name: string): unknown =>
  state.reckoned.find((each) => each.name === name)?.value;
const calculated = (state: SheetState, path: string): unknown =>
  [...everyQuestion(state)].find((each) => each.state.path === path)?.state.calculated;

test('a template needs the kit it names, and those whose functions it calls', async () => {
  expect(kitsNeeded(WALLS).map(({ key }) => key)).toEqual(['walls']);
  const calls = { title: 'x', formula: 'loopLimit("B", 6.0) + airChanges (1.0, 2.0)' };
  expect(kitsNeeded(calls).map(({ key }) => key)).toEqual(['electrical', 'energy']);
  expect(kitsNeeded({ title: 'loopLimits of airChanges' })).toEqual([]);
  expect(isPrepared(WALLS)).toBe(false);
  expect(() => planSheet(WALLS)).toThrow(/not loaded/);
  await prepareFor(WALLS);
  expect(isPrepared(WALLS)).toBe(true);
  expect(problemsOf(WALLS)).toEqual([]);
});

describe('a reckoning over the whole sheet', () => {
  const plan = () => planSheet(WALLS);
  beforeAll(() => prepareFor(WALLS));

  test('is told as soon as it can be, and read by rules, in rows too', () => {
    const sheet = new OpenSheet(plan());
    let state = sheet.add([entry('inside', 20), entry('outside', -5)]);
    expect([result(state, 'wallLoss'), result(state, 'worstWall')]).toEqual([null, null]);
    expect(calculated(state, 'stove')).toBeNull();
    state = sheet.add([...wall('a', 10, 0.5), ...wall('b', 20, 1.5)]);
    // By hand: 10 × 0.5 × 25 + 20 × 1.5 × 25 = 125 + 750.
    expect([result(state, 'wallLoss'), result(state, 'worstWall')]).toEqual([875, 'wall 2']);
    expect(calculated(state, 'stove')).toBe(1050);
    expect(calculated(state, 'walls/b/share')).toBeCloseTo(85.714, 3);
    expect(state.findings).toEqual([]);
    state = sheet.add([entry('outside', -15)]);
    expect(result(state, 'wallLoss')).toBe(1225);
    expect(state.findings.map(({ words }) => words)).toEqual(['More than the stove gives']);
    // What it reveals is asked for.
    expect(state.looseEnds.map(({ key }) => key)).toContain('why');
    state = sheet.add([entry('inside', null, 'clear')]);
    expect([result(state, 'wallLoss'), calculated(state, 'stove')]).toEqual([null, null]);
  });

  test('opened entry by entry, in any order, comes to the same as folded whole', () => {
    const value = fc.integer({ min: -30, max: 40 });
    const written = fc.oneof(
      fc.tuple(fc.constantFrom('inside', 'outside'), fc.option(value)),
      fc.tuple(
        fc.constantFrom('walls/a/area', 'walls/a/u', 'walls/b/area', 'walls/b/u', 'walls/c/u'),
        fc.option(fc.integer({ min: 0, max: 60 })),
      ),
      fc.tuple(fc.constantFrom('why'), fc.constantFrom('wind', 'frost')),
      fc.tuple(
        fc.constantFrom('walls/a', 'walls/b', 'walls/c'),
        fc.option(fc.record({ name: fc.constant(''), order: fc.nat(9) })),
      ),
    );
    fc.assert(
      fc.property(
        fc.array(written, { maxLength: 25 }),
        fc.integer({ min: 1, max: 6 }),
        (said, batch) => {
          const entries = said.map(([path, what]) =>
            entry(path, what, what === null ? 'clear' : 'answer'),
          );
          const open = new OpenSheet(plan());
          for (let at = 0; at < entries.length; at += batch)
            open.add(entries.slice(at, at + batch));
          expect(open.state).toEqual(fold(plan(), entries));
          expect(fold(plan(), [...entries].reverse())).toEqual(fold(plan(), entries));
        },
      ),
      { numRuns: 300 },
    );
  });

  test('does not see what waits for it: no rule can make it go round', () => {
    const { reckoning } = plan();
    expect([...(reckoning?.waiting ?? [])].sort()).toEqual(['share', 'stove', 'why']);
  });
});

test('a kit nobody has is a problem of the template, in words', () => {
  const body: TemplateBody = { ...WALLS, kit: 'dowsing' };
  expect(problemsOf(body).map(({ message }) => message)).toContain(
    'The trade kit “dowsing” is not known here.',
  );
});

test('every kit that ships says what it says it has', async () => {
  await loadAllKits();
  for (const known of KITS) {
    const kit = await known.load();
    expect([kit.key, kit.name]).toEqual([known.key, known.name]);
    expect(kit.functions.map(({ name }) => name).sort()).toEqual([...known.functions].sort());
    for (const { name } of kit.reckoning?.results ?? []) expect(name).toMatch(/^[a-z]+[A-Z]/);
  }
});

test.each([
  [{ unit: 'W' }, 1234.56, '1235 W'],
  [{ unit: 'm3/h' }, 0.123456, '0.1235 m³/h'],
  [{}, true, 'yes'],
  [{}, 'wall 2', 'wall 2'],
  [{ unit: 'W' }, null, 'not to be told yet'],
])('a result %j of %j reads “%s”', (more, value, words) => {
  const offer = { name: 'wallLoss', label: 'x', type: 'double', about: '', ...more } as const;
  expect(sayReckoned(offer, value)).toBe(words);
});
