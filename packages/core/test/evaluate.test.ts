import { Environment } from '@marcbachmann/cel-js';
import fc from 'fast-check';
import {
  Compiler,
  isAffordable,
  loadPatterns,
  problemWithPattern,
  STEP_BUDGET,
  worstCost,
} from '../src/logic/index.ts';
import { addDecimal, remainderDecimal, roundDecimal, sumDecimal } from '../src/measure/index.ts';
import { OpenSheet, planSheet, problemsOf, type Question } from '../src/sheet/index.ts';

beforeAll(loadPatterns);

const compiler = new Compiler(
  [
    ['n', 'double'],
    ['m', 'double'],
    ['a', 'double'],
    ['b', 'double'],
    ['word', 'string'],
    ['seen', 'list<string>'],
    ['rows', 'list<map<string, dyn>>'],
    ['product', 'map<string, dyn>'],
    ['done', 'bool'],
  ],
  [],
);
const value = (source: string, given: Record<string, unknown> = {}): unknown =>
  compiler.compile(source, 'anything').run(given);

describe('numbers mean what they are in decimals', () => {
  test.each<[string, unknown, Record<string, number>?]>([
    ['1/2*a*b', 6, { a: 3, b: 4 }],
    ['9/5*a+32', 212, { a: 100 }],
    ['a > 1 ? 1 : 2.5', 1, { a: 3 }],
    ['a > 1 ? 1 : 2.5', 2.5, { a: 0 }],
    ['n in [4, 5]', true, { n: 5 }],
    ['n in [4.5, 5]', false, { n: 4 }],
    ['n % 2', 1, { n: 5 }],
    ['n % 2 == 0', true, { n: 6 }],
    ['5.5 % 0.1', 0],
    ['-7 % 3', -1],
    ['a + b > 3.3', false, { a: 1.1, b: 2.2 }],
    ['a + b >= 3.3', true, { a: 1.1, b: 2.2 }],
    ['a + b == 3.3', true, { a: 1.1, b: 2.2 }],
    ['(a + b - 3.3) * 1000000 > 0', false, { a: 1.1, b: 2.2 }],
    ['a / 3 * 3 == a', true, { a: 1 }],
    ['a * 3 == 0.3', true, { a: 0.1 }],
    ['a - 0.9 == 0.1', true, { a: 1 }],
    ['round(1.005, 2)', 1.01],
    ['round(2.5, 0)', 3],
    ['round(-1.005, 2)', -1.01],
    ['round(1234.5, -2)', 1200],
    ['round(n, 1) == 0.3', true, { n: 0.1 + 0.2 }],
    ['1 / 0', undefined],
    ['n % 0', undefined, { n: 1 }],
    ['123456789012.34 + 0.01 == 123456789012.35', true],
    ['a + b', 9007199254740993, { a: 9007199254740992, b: 1 }],
    ['size("four") / 8', 0.5],
    ['int("7") / 2', 3.5],
  ])('%s', (source, expected, given = {}) => {
    if (source === 'a + b') expect(value(source, given)).toBe(9007199254740992 + 1);
    else expect(value(source, given)).toEqual(expected);
  });

  const decimal = fc
    .tuple(fc.integer({ min: -1e9, max: 1e9 }), fc.nat(4))
    .map(([digits, places]) => Number(`${digits}e-${places}`));

  /** Digits and places as whole numbers, in which sums are exact. */
  const exact = (numbers: readonly number[]): number => {
    const tenths = numbers.map((one) => BigInt(Math.round(one * 1e4)));
    const sum = tenths.reduce((total, one) => total + one, 0n);
    return Number(`${sum}e-4`);
  };

  test('sums of decimals are exact, however many', () => {
    fc.assert(
      fc.property(decimal, decimal, (a, b) => {
        expect(addDecimal(a, b)).toBe(exact([a, b]));
        expect(addDecimal(a, -b)).toBe(exact([a, -b]));
      }),
      { numRuns: 2_000 },
    );
    fc.assert(
      fc.property(fc.array(decimal, { maxLength: 300 }), (all) => {
        expect(sumDecimal(all)).toBe(exact(all));
      }),
    );
    expect(sumDecimal(Array<number>(10_000).fill(0.1))).toBe(1_000);
  });

  test('rounding goes by what is written, and a remainder is what whole numbers say', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e8, max: 1e8 }), (thousandths) => {
        const rounded = Math.sign(thousandths) * Math.floor((Math.abs(thousandths) + 5) / 10);
        expect(roundDecimal(Number(`${thousandths}e-3`), 2)).toBe(Number(`${rounded}e-2`) + 0);
      }),
      { numRuns: 2_000 },
    );
    fc.assert(
      fc.property(fc.nat(1e7), fc.integer({ min: 1, max: 1e5 }), (a, b) => {
        expect(remainderDecimal(Number(`${a}e-3`), Number(`${b}e-3`))).toBeCloseTo(
          (a % b) / 1000,
          9,
        );
      }),
    );
  });
});

describe('an answer that is missing', () => {
  test.each<[string, unknown]>([
    ['n > 3', undefined],
    ['n > 3 || true', true],
    ['true || n > 3', true],
    ['n > 3 && false', false],
    ['n > 3 || 1 < 2', true],
    ['n > 3 || m < 2', undefined],
    ['false ? n : 5.0', 5],
    ['true ? n : 5.0', undefined],
    ['n > 3 ? 1 : 2', undefined],
    ['!(n > 3)', undefined],
    ['n == n', undefined],
    ['has(given.n)', false],
    ['!given.n', true],
    ['has(given.n) && n > 3', false],
    ['seen.exists(x, x == word)', undefined],
    ['[1, 2].exists(x, x > 1 || n > 0)', true],
    ['[1, 2].all(x, x > 0 || n > 0)', true],
  ])('%s', (source, expected) => {
    expect(value(source, { given: {} })).toBe(expected);
  });

  test('is told from what can’t be computed', () => {
    const outcome = (source: string, given = {}) =>
      compiler.compile(source, 'anything').outcome(given);
    expect(outcome('n > 3')).toEqual({ missing: true });
    expect(outcome('1 / 0')).toMatchObject({
      failed: expect.stringMatching(/divided by 0/) as unknown,
    });
    expect(outcome('product.price > 1', { product: { price: 'dear' } })).toMatchObject({
      failed: expect.stringMatching(/compare/) as unknown,
    });
    expect(outcome('n > 3', { n: 4 })).toEqual({ value: true });
  });
});

test.each(['toString', 'constructor', '__proto__', 'hasOwnProperty', 'valueOf'])(
  'what every object has is no field called %s',
  (member) => {
    const given = { product: { label: 'x' }, rows: [{ load: 1 }], given: {} };
    expect(value(`has(product.${member})`, given)).toBe(false);
    expect(value(`product["${member}"] == 1`, given)).toBeUndefined();
    expect(value(`"${member}" in product`, given)).toBe(false);
    expect(value(`sum(rows, "${member}")`, given)).toBe(0);
    expect(value(`count(rows, "${member}")`, given)).toBe(0);
    expect(value(`has(given.${member})`, given)).toBe(false);
  },
);

// The reference for what is not changed on purpose: the library's own evaluation, with every number
// a double.
test('what the language says is what its own library computes', () => {
  const reference = new Environment();
  for (const name of ['a', 'b', 'n']) reference.registerVariable(name, 'double');
  reference.registerVariable('word', 'string').registerVariable('done', 'bool');
  reference.registerVariable('seen', 'list<string>');
  const given = { a: 3, b: -2.5, n: 0.75, word: 'tarn', done: true, seen: ['x', 'tarn', 'yy'] };
  const { bool } = fc.letrec<{ num: string; bool: string; str: string; list: string }>((tie) => ({
    num: fc.oneof(
      { depthSize: 'small' },
      fc.constantFrom('a', 'b', 'n', '1.5', '2.0', '-4.0', '10.0'),
      fc
        .tuple(tie('num'), fc.constantFrom('+', '-', '*'), tie('num'))
        .map((p) => `(${p.join(' ')})`),
      fc.tuple(tie('bool'), tie('num'), tie('num')).map(([c, x, y]) => `(${c} ? ${x} : ${y})`),
    ),
    str: fc.oneof(
      { depthSize: 'small' },
      fc.constantFrom('word', '"x"', '"tarn"', '""', 'word.substring(1)', 'word.upperAscii()'),
      fc.tuple(tie('str'), tie('str')).map(([x, y]) => `(${x} + ${y})`),
    ),
    list: fc.oneof(
      { depthSize: 'small' },
      fc.constantFrom('seen', '["x"]', '[word, "q"]', '"a,b,tarn".split(",")'),
      fc.tuple(tie('list'), tie('str')).map(([l, s]) => `${l}.filter(i, i != ${s})`),
      fc.tuple(tie('list'), tie('str')).map(([l, s]) => `${l}.map(i, i + ${s})`),
    ),
    bool: fc.oneof(
      { depthSize: 'small' },
      fc.constantFrom('done', 'true', 'false', '!done'),
      fc
        .tuple(tie('num'), fc.constantFrom('<', '<=', '>', '>=', '==', '!='), tie('num'))
        .map((p) => `(${p.join(' ')})`),
      fc
        .tuple(tie('bool'), fc.constantFrom('&&', '||'), tie('bool'))
        .map((p) => `(${p.join(' ')})`),
      fc
        .tuple(tie('str'), fc.constantFrom('==', '!=', '<', '>='), tie('str'))
        .map((p) => `(${p.join(' ')})`),
      fc.tuple(tie('str'), tie('list')).map(([s, l]) => `(${s} in ${l})`),
      fc
        .tuple(tie('list'), fc.constantFrom('all', 'exists', 'exists_one'), tie('str'))
        .map(([l, macro, s]) => `${l}.${macro}(i, i.contains(${s}))`),
      fc.tuple(tie('list'), fc.nat(4)).map(([l, size]) => `(size(${l}) > ${size})`),
    ),
  }));
  fc.assert(
    fc.property(bool, (source) => {
      expect(`${source}: ${String(value(source, given))}`).toBe(
        `${source}: ${String(reference.evaluate(source, given))}`,
      );
    }),
    { numRuns: 3_000 },
  );
});

describe('nothing runs without end', () => {
  const ask = (more: object): Question => ({
    kind: 'text',
    key: 'word',
    label: 'Word',
    required: false,
    ...more,
  });
  const template = (...questions: Question[]) => ({
    title: 'T',
    sections: [{ id: 's', title: 'S', questions }],
  });

  test('a pattern that made others go back and forth is found in one go', () => {
    const long = `${'a'.repeat(9_000)}b`;
    expect(value('word.matches("^(a+)+$")', { word: long })).toBe(false);
    expect(value('word.matches("(x+x+)+y")', { word: 'x'.repeat(9_000) })).toBe(false);
    // Going back and forth neither of these would have ended.
  });

  test.each(['(?<=a)b', '(a)\\\\1', 'a(?=b)', '('])(
    'the pattern %s is refused at publishing',
    (pattern) => {
      expect(problemWithPattern(pattern.replace('\\\\', '\\'))).toMatch(/can’t be used/);
      const [problem] = problemsOf(
        template(ask({}), ask({ key: 'other', visibleWhen: `word.matches("${pattern}")` })),
      );
      expect(problem).toMatchObject({
        question: 'other',
        message: expect.stringMatching(/pattern/) as unknown,
      });
    },
  );

  const list = (size: number): string => `[${Array.from({ length: size }, (_, i) => i).join(',')}]`;
  const nested = (depth: number, size: number): string =>
    depth === 0 ? 'true' : `${list(size)}.all(x${depth}, ${nested(depth - 1, size)})`;

  test('lists within lists within lists are stopped, and such a rule is not published', () => {
    const source = nested(3, 150);
    const program = compiler.compile(source, 'yes or no');
    expect(program.outcome({})).toMatchObject({ overBudget: true });
    expect(isAffordable(program.ast, () => 1)).toBe(false);
    const [problem] = problemsOf(template(ask({ visibleWhen: source })));
    expect(problem?.message).toMatch(/too long/);
    // One that was published before can still be opened; it says nothing, and is named.
    const state = new OpenSheet(
      planSheet(template(ask({}), ask({ key: 'other', visibleWhen: source }))),
    ).state;
    expect(state.overBudget).toEqual([]);
    expect(state.sections[0]?.questions.map(({ path }) => path)).toEqual(['word']);
  });

  test('a rule that goes through all rows for each row is refused unless the rows have an end', () => {
    const rows = (most?: number): Question => ({
      ...{ kind: 'rows', key: 'bolts', label: 'Bolts', required: false, each: 'bolt' },
      ...(most === undefined ? {} : { most }),
      questions: [{ kind: 'number', key: 'torque', label: 'Torque', required: false, unit: 'N.m' }],
    });
    const doubled = 'bolts.all(x, bolts.exists(y, y.torque == x.torque))';
    const check = ask({ key: 'check', visibleWhen: doubled });
    expect(problemsOf(template(rows(), check))[0]?.message).toMatch(/at most/);
    expect(problemsOf(template(rows(100), check))).toEqual([]);
    expect(
      problemsOf(template(rows(), ask({ visibleWhen: 'bolts.all(x, x.torque > 3)' }))),
    ).toEqual([]);
  });

  test('what it costs at worst is never less than what it does cost', () => {
    const sizes = { rows: 60, seen: 40, word: 300, n: 1 } as Record<string, number>;
    const given = {
      rows: Array.from({ length: 60 }, (_, i) => ({ load: i, tag: 'x' })),
      seen: Array.from({ length: 40 }, (_, i) => `option ${i}`),
      word: 'w'.repeat(300),
      n: 3,
      given: {},
    };
    const sources = [
      'rows.all(r, r.load >= 0)',
      'rows.filter(r, r.load > 3).map(r, r.load * 2)',
      'rows.all(x, rows.exists(y, x.load == y.load))',
      'seen.all(s, word.contains(s) || size(s) < 90)',
      'rows.all(r, seen.filter(s, s != "q").all(s, s != "z"))',
      'sum(rows, "load") + mean(rows, "load")',
      'word.matches("w+$") && word.split("w").all(p, p == "")',
      'rows.filter(r, r.tag in seen)',
      '(word + word + word).contains("wwww")',
    ];
    for (const source of sources) {
      const program = compiler.compile(source, 'anything');
      const worst = worstCost(program.ast, (name) => sizes[name] ?? 100);
      expect(`${source} ${worst <= STEP_BUDGET}`).toBe(`${source} true`);
      expect(program.outcome(given)).not.toMatchObject({ failed: expect.anything() as unknown });
      expect(program.stepsFor(given)).toBeLessThanOrEqual(worst);
    }
  });
});
