import { Compiler, GENERAL_FUNCTIONS, loadPatterns, ROW_FUNCTIONS } from '../src/logic/index.ts';
import { loadAllKits, loadedFunctions } from '../src/trades/index.ts';

await loadAllKits();
const compiler = new Compiler(
  [
    ['n', 'double'],
    ['m', 'double'],
    ['word', 'string'],
    ['seen', 'list<string>'],
    ['rows', 'list<map<string, dyn>>'],
    ['product', 'map<string, dyn>'],
    ['done', 'bool'],
  ],
  loadedFunctions(),
);
beforeAll(loadPatterns);

const answers = {
  n: 4,
  m: 2.5,
  word: 'tarn',
  seen: ['a', 'b'],
  rows: [{ load: 2 }, { load: 5, tag: 'x' }, {}],
  product: { label: 'Oats', par: 12 },
  given: { n: true },
  previous: { load: 2 },
  row: { number: 2, name: 'Two', count: 3 },
};
const value = (source: string, given: Record<string, unknown> = answers): unknown =>
  compiler.compile(source, 'anything').run(given);

// What the CEL language definition (github.com/google/cel-spec, doc/langdef.md) says of operators,
// logic with errors, macros and field selection; recalled from memory, not read from it here.
describe('the language', () => {
  test.each<[string, unknown]>([
    ['1 + 2 * 3 == 7', true],
    ['(1 + 2) * 3 == 9', true],
    ['-n < 0.0', true],
    ['"a" + "b" == "ab"', true],
    ['"a" < "b"', true],
    ['"a" in seen', true],
    ['"c" in seen', false],
    ['n > 3.0 ? "high" : "low"', 'high'],
    ['!(n > 3.0) || true', true],
    ['word.startsWith("ta") && word.endsWith("rn") && word.contains("ar")', true],
    ['word.matches("^t.*n$")', true],
    ['size(word)', 4],
    ['size(seen) == 2', true],
    ['seen.all(x, size(x) == 1)', true],
    ['seen.exists(x, x == "b")', true],
    ['seen.exists_one(x, x == "b")', true],
    ['seen.filter(x, x != "a") == ["b"]', true],
    ['seen.map(x, x + "!") == ["a!", "b!"]', true],
    ['rows.exists(r, has(r.tag))', true],
    ['product.par > 10', true],
    ['has(product.par) && !has(product.price)', true],
    ['{"a": 1}.a == 1', true],
  ])('%s', (source, expected) => {
    expect(value(source)).toEqual(expected);
  });

  // "The conditional operators absorb errors": a side that decides alone wins over one that fails.
  test.each<[string, unknown]>([
    ['done || n > 3.0', true],
    ['n > 3.0 || done', true],
    ['done && n < 3.0', false],
    ['n < 3.0 && done', false],
    ['done || n < 3.0', undefined],
    ['done && n > 3.0', undefined],
    ['rows.all(r, r.load > 1.0)', undefined],
    ['rows.all(r, r.load > 3.0)', false],
    ['rows.exists(r, r.load > 3.0)', true],
  ])('with an answer missing, %s', (source, expected) => {
    expect(value(source)).toBe(expected);
  });
});

describe('what is added to the language', () => {
  test.each<[string, unknown]>([
    ['n + 1', 5],
    ['1 + n', 5],
    ['n * 2 - 1', 7],
    ['n / 8', 0.5],
    ['n == 4', true],
    ['4 == n', true],
    ['n != 5', true],
    ['n >= 4 && n <= 4', true],
    ['sum(rows, "load")', 7],
    ['mean(rows, "load")', 3.5],
    ['least(rows, "load") + most(rows, "load")', 7],
    ['count(rows, "tag")', 1],
    ['sum(rows, "nothing")', 0],
    ['most(rows, "nothing")', undefined],
    ['round(2.345, 2)', 2.35],
    ['round(-2.5, 0)', -3],
    ['round(n, 1)', 4],
    ['abs(-3)', 3],
    ['sqrt(n)', 2],
    ['sqrt(-1)', undefined],
    ['lesser(n, 3) + greater(n, 3)', 7],
    ['convert(1, "bar", "kPa")', 100],
    ['convert(1, "bar", "mm")', undefined],
    ['daysBetween("2031-02-27", "2031-03-01")', 2],
    ['daysBetween("x", "2031-03-01")', undefined],
    ['n / 0', undefined],
    ['has(given.n) && !has(given.m)', true],
    ['previous.load * row.number', 4],
    ['loopLimit("B", 32)', 1.37],
    ['loopLimit("Q", 32)', undefined],
  ])('%s', (source, expected) => {
    expect(value(source)).toBe(expected);
  });

  test.each<[string, 'yes or no' | 'number', RegExp]>([
    ['n +', 'number', /Unexpected/],
    ['nobody > 1', 'yes or no', /nobody/],
    ['word > 1', 'yes or no', /overload/],
    ['n', 'yes or no', /yes or no, but gives a number/],
    ['word', 'number', /gives words/],
    ['sum(n, "load")', 'number', /sum/],
    [`${'n + '.repeat(900)}n`, 'number', /./],
  ])('%s is refused as %s', (source, type, words) => {
    expect(() => compiler.compile(source, type)).toThrow(words);
  });

  test('every function says how it is called by its own name', () => {
    const all = [...GENERAL_FUNCTIONS, ...ROW_FUNCTIONS, ...loadedFunctions()];
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
    for (const { name, usage, takes, about } of all) {
      expect(usage.startsWith(`${name}(`)).toBe(true);
      expect(usage.split(',')).toHaveLength(takes.length);
      expect(about).toMatch(/\.$/);
    }
  });
});
