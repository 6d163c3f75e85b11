import {
  fold,
  OpenSheet,
  planSheet,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import type { AnswerValue, Entry } from '../src/log/index.ts';

let turn = 0;
function entry(path: string, value: AnswerValue, over: Partial<Entry> = {}): Entry {
  turn++;
  const hex = turn.toString(16).padStart(12, '0');
  return {
    id: `017f22e2-79b0-7000-8000-${hex}`,
    sheet: 's',
    path,
    kind: 'answer',
    value,
    ...(typeof value === 'number' ? { unit: '1' } : {}),
    seen: [],
    by: 'p',
    device: 'd',
    at: '2031-01-01T00:00:00Z',
    prev: null,
    ...over,
  };
}
const number = (key: string, more: object = {}): Question => ({
  kind: 'number',
  key,
  label: key,
  required: true,
  unit: '1',
  ...more,
});
const template = (...questions: Question[]): TemplateBody => ({
  title: 'T',
  sections: [{ id: 's', title: 'S', questions }],
});
const rows = (...questions: Question[]): Question => ({
  kind: 'rows',
  key: 'rws',
  label: 'Rows',
  each: 'row',
  required: false,
  questions,
});
const rowNames = (many: number): Entry[] =>
  Array.from({ length: many }, (_, i) => entry(`rws/r${i}`, { order: i, name: `R${i}` }));

test('a chain of twelve thousand formulas, written the wrong way round, is computed', () => {
  const links = Array.from({ length: 12_000 }, (_, i): Question => ({
    ...{ kind: 'calculated', key: `q${i}`, label: `Q${i}`, required: false, unit: '1' },
    formula: i === 11_999 ? 'start + 1' : `q${i + 1} + 1`,
  }));
  const state = fold(planSheet(template(...links, number('start'))), [entry('start', 1)]);
  expect(state.sections[0]?.questions[0]?.calculated).toBe(12_001);
});

test('more loose ends than any stack could carry are all there', () => {
  const questions = Array.from({ length: 60 }, (_, i) => number(`q${i}`));
  const open = new OpenSheet(planSheet(template(rows(...questions))));
  expect(open.add(rowNames(3_000)).looseEnds).toHaveLength(180_000);
});

test('a rule over all rows that stands before what it reads says the same as one after it', () => {
  const rule = number('share', {
    required: false,
    findings: [
      { when: 'load > mean(rws, "load") * 1.5', severity: 2, words: 'far above the others' },
    ],
  });
  const entries = [
    ...rowNames(300),
    ...Array.from({ length: 300 }, (_, i) => entry(`rws/r${i}/load`, i)),
  ];
  const before = fold(planSheet(template(rows(rule, number('load')))), entries);
  const after = fold(planSheet(template(rows(number('load'), rule))), entries);
  expect(before.findings.map(({ key }) => key)).toEqual(after.findings.map(({ key }) => key));
  expect(before.findings).toHaveLength(300 - 225);
});

test('what is computed over rows follows every change in them, one by one and all at once', () => {
  const total = {
    ...{ kind: 'calculated', key: 'total', label: 'Total', required: false, unit: '1' },
    formula: 'sum(rws, "load") + count(rws, "load") * 1000 + size(rws) * 100000',
  } as Question;
  const plan = planSheet(template(rows(number('load')), total));
  const open = new OpenSheet(plan);
  const all: Entry[] = [];
  const add = (...entries: Entry[]): unknown => {
    all.push(...entries);
    const state = open.add(entries);
    expect(state).toEqual(fold(plan, all));
    return state.sections[0]?.questions.at(-1)?.calculated;
  };
  const first = entry('rws/a/load', 5);
  const row = entry('rws/a', { order: 1, name: 'A' });
  expect(add(row)).toBe(100_000);
  expect(add(first)).toBe(101_005);
  expect(add(entry('rws/b', { order: 2, name: 'B' }), entry('rws/b/load', 7))).toBe(202_012);
  expect(add(entry('rws/a/load', 9, { seen: [first.id] }))).toBe(202_016);
  expect(add(entry('rws/a', { order: 3, name: 'Last' }, { seen: [row.id] }))).toBe(202_016);
  const b = open.headsOf('rws/b');
  expect(add({ ...entry('rws/b', 0, { kind: 'clear', seen: b }), value: null })).toBe(101_009);
});

test('entries of one path that come newest first leave what they leave in order', () => {
  const plan = planSheet(template(number('a')));
  let seen: string[] = [];
  const entries = Array.from({ length: 500 }, (_, i) => {
    const one = entry('a', i, { seen });
    seen = [one.id];
    return one;
  });
  const open = new OpenSheet(plan);
  for (const one of [...entries].reverse()) open.add([one]);
  expect(open.state).toEqual(fold(plan, entries));
  expect(open.state.sections[0]?.questions[0]?.answer?.value).toBe(499);
});
