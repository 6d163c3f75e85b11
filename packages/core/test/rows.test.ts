import fc from 'fast-check';
import { blanksPath, reasonPath, type AnswerValue, type Entry } from '../src/log/index.ts';
import {
  blanksIn,
  fold,
  OpenSheet,
  planSheet,
  questionAtPath,
  type Question,
  type SheetPlan,
  type TemplateBody,
} from '../src/sheet/index.ts';

const number = (key: string, more: Partial<Question> = {}): Question =>
  ({ kind: 'number', key, label: key, unit: '1', required: true, ...more }) as Question;

const BOARDS: TemplateBody = {
  title: 'Boards',
  sections: [
    {
      id: 'all',
      title: 'All',
      questions: [
        number('limit'),
        {
          kind: 'rows',
          key: 'boards',
          label: 'Boards',
          each: 'board',
          required: false,
          starts: ['Cellar', 'Attic'],
          questions: [
            { kind: 'text', key: 'place', label: 'Place', required: false },
            {
              kind: 'rows',
              key: 'ways',
              label: 'Ways',
              each: 'way',
              required: false,
              questions: [
                number('load', { highFrom: 'limit' }),
                number('spare', { required: false, visibleWhen: 'load > 5' }),
                {
                  kind: 'calculated',
                  key: 'running',
                  label: 'Running',
                  required: false,
                  unit: '1',
                  formula: 'load + (has(previous.running) ? previous.running : 0.0)',
                },
                number('meter', {
                  required: false,
                  checks: [{ must: 'meter >= previous.meter', words: 'it runs backwards' }],
                }),
              ],
            },
            {
              kind: 'calculated',
              key: 'board_load',
              label: 'Load of the board',
              required: false,
              unit: '1',
              formula: 'sum(ways, "load")',
            },
          ],
        },
        {
          kind: 'calculated',
          key: 'total',
          label: 'Total',
          required: false,
          unit: '1',
          formula: 'sum(boards, "board_load")',
        },
        number('why', { visibleWhen: 'total > limit' }),
      ],
    },
  ],
};

let turn = 0;

function entry(open: OpenSheet, path: string, value: AnswerValue | null, device = 0): Entry {
  turn++;
  return {
    id: `017f22e2-79b0-7000-9000-${turn.toString(16).padStart(12, '0')}`,
    sheet: 's',
    path,
    kind: value === null ? 'clear' : 'answer',
    value,
    seen: open.headsOf(path),
    by: `person-${device}`,
    device: `device-${device}`,
    at: new Date(1_700_000_000_000 + turn * 1000).toISOString(),
    prev: null,
  };
}

/** Random histories on three devices over paths of this template, told by what may be written. */
const historiesOf = (plan: SheetPlan, writing: fc.Arbitrary<[string, AnswerValue | null]>) =>
  fc
    .array(fc.tuple(fc.nat(2), fc.oneof({ weight: 5, arbitrary: writing }, fc.nat(2))), {
      maxLength: 40,
    })
    .map((steps) => {
      const open = [0, 1, 2].map(() => new OpenSheet(plan));
      const kept: Entry[][] = [[], [], []];
      const all: Entry[] = [];
      for (const [who, what] of steps) {
        const mine = open[who];
        if (!mine) continue;
        if (typeof what === 'number') {
          mine.add(kept[what] ?? []);
          kept[who] = [...(kept[who] ?? []), ...(kept[what] ?? [])];
          continue;
        }
        const made = entry(mine, what[0], what[1], who);
        mine.add([made]);
        kept[who]?.push(made);
        all.push(made);
      }
      return all;
    });

const sameHoweverItArrives = (plan: SheetPlan, all: readonly Entry[], seed: number): void => {
  const whole = fold(plan, all);
  const step = new OpenSheet(plan);
  all.forEach((one, index) => {
    const state = step.add([one]);
    if (index % 7 === 0) expect(state).toEqual(fold(plan, all.slice(0, index + 1)));
  });
  expect(step.state).toEqual(whole);
  const mixed = [...all].sort((a, b) => Math.sin(seed + turnOf(a)) - Math.sin(seed + turnOf(b)));
  const open = new OpenSheet(plan);
  for (let i = 0; i < mixed.length; i += 3) open.add(mixed.slice(i, i + 4));
  expect(open.state).toEqual(whole);
};
const turnOf = (one: Entry): number => Number.parseInt(one.id.slice(-6), 16) * 7.3;

const rowId = fc.constantFrom('s1', 's2', 'r1', 'r2');
const wayId = fc.constantFrom('a', 'b', 'c');
const figure = fc.integer({ min: 0, max: 12 });

describe('a sheet with rows in rows', () => {
  const plan = planSheet(BOARDS);
  const writing: fc.Arbitrary<[string, AnswerValue | null]> = fc.oneof(
    fc.tuple(fc.constant('limit'), figure),
    fc.tuple(
      rowId.map((id) => `boards/${id}`),
      fc.oneof(
        fc.constant(null),
        figure.map((order) => ({ order, name: `Board ${order}` })),
      ),
    ),
    fc.tuple(
      fc.tuple(rowId, wayId).map(([r, w]) => `boards/${r}/ways/${w}`),
      fc.oneof(
        fc.constant(null),
        figure.map((order) => ({ order, name: `Way ${order}` })),
      ),
    ),
    fc.tuple(
      fc
        .tuple(rowId, wayId, fc.constantFrom('load', 'spare', 'meter'))
        .map(([r, w, key]) => `boards/${r}/ways/${w}/${key}`),
      fc.oneof(fc.constant(null), figure),
    ),
    fc.tuple(
      fc.nat(3).map((n) => blanksPath(`b${n}`)),
      fc.oneof(fc.constant(null), fc.constant({ closed: ['why', 'boards/s1/ways/a/load'] })),
    ),
  );

  test('is the same for every order and batching, and entry by entry as folded anew', () => {
    fc.assert(
      fc.property(historiesOf(plan, writing), fc.nat(), (all, seed) =>
        sameHoweverItArrives(plan, all, seed),
      ),
      { numRuns: 80 },
    );
  });

  const calculated = (open: OpenSheet, path: string) =>
    questionAtPath(open.state, path)?.calculated;
  const put = (open: OpenSheet, path: string, value: AnswerValue | null) =>
    open.add([entry(open, path, value)]);

  test('computes over rows and from the row before, also when rows move', () => {
    const open = new OpenSheet(plan);
    put(open, 'limit', 6);
    for (const [id, order, load] of [
      ['a', 1, 2],
      ['b', 2, 5],
    ] as const) {
      put(open, `boards/s1/ways/${id}`, { order, name: id });
      put(open, `boards/s1/ways/${id}/load`, load);
    }
    expect(calculated(open, 'boards/s1/ways/b/running')).toBe(7);
    expect(calculated(open, 'total')).toBe(7);
    expect(open.state.looseEnds.map((end) => end.words)).toEqual(['why: no answer yet']);
    put(open, 'boards/s1/ways/b', { order: 0, name: 'b' });
    expect(calculated(open, 'boards/s1/ways/b/running')).toBe(5);
    expect(calculated(open, 'boards/s1/ways/a/running')).toBe(7);
    put(open, 'boards/s1/ways/b', null);
    expect(calculated(open, 'total')).toBe(2);
    expect(open.state.looseEnds).toEqual([]);
  });

  test('a check between rows has its own words', () => {
    const open = new OpenSheet(plan);
    put(open, 'boards/s2/ways/a', { order: 1, name: 'One' });
    put(open, 'boards/s2/ways/b', { order: 2, name: 'Two' });
    put(open, 'boards/s2/ways/a/meter', 40);
    put(open, 'boards/s2/ways/b/meter', 39);
    expect(open.state.looseEnds.map((end) => end.words)).toContain(
      'Attic, Two, meter: it runs backwards',
    );
  });

  test('a row removed comes back as a disagreement when somebody answered in it unaware', () => {
    const one = new OpenSheet(plan);
    const other = new OpenSheet(plan);
    const removal = entry(one, 'boards/s1', null);
    const answer = entry(other, 'boards/s1/place', 'under the stairs', 1);
    one.add([removal]);
    expect(questionAtPath(one.state, 'boards')?.rows.map((row) => row.name)).toEqual(['Attic']);
    one.add([answer]);
    expect(one.state.disagreements).toEqual(['boards/s1']);
    one.add([entry(one, 'boards/s1', null)]);
    expect(one.state.disagreements).toEqual([]);
    expect(questionAtPath(one.state, 'boards')?.rows.map((row) => row.name)).toEqual(['Attic']);
  });

  test('blanks are closed out in one go, an answer wins, and undoing opens them again', () => {
    const open = new OpenSheet(plan);
    put(open, 'boards/s1/ways/a', { order: 1, name: 'One' });
    const [section] = open.state.sections;
    const blanks = blanksIn(section?.questions ?? []);
    expect(blanks).toEqual([
      'limit',
      'boards/s1/place',
      'boards/s1/ways/a/load',
      'boards/s1/ways/a/meter',
      'boards/s2/place',
    ]);
    put(open, blanksPath('b1'), { closed: blanks });
    expect(open.state.looseEnds).toEqual([]);
    put(open, 'limit', 4);
    expect(questionAtPath(open.state, 'limit')?.closedOut).toBeNull();
    put(open, blanksPath('b1'), null);
    expect(open.state.looseEnds.map((end) => end.key)).toEqual(['boards/s1/ways/a/load']);
  });
});

/** Templates whose rules read any of the questions before. */
const templates: fc.Arbitrary<TemplateBody> = fc
  .array(
    fc.record({
      kind: fc.constantFrom('yesNo', 'number', 'calculated', 'text', 'rows'),
      read: fc.nat(),
      rule: fc.nat(5),
    }),
    { minLength: 3, maxLength: 14 },
  )
  .map((made) => {
    const questions: Question[] = [];
    const rowsOf = new Map<string, string>();
    made.forEach(({ kind, read, rule }, index) => {
      const key = `q${index}`;
      const of = questions.length === 0 ? null : questions[read % questions.length];
      const truth = of && truthOf(of);
      const common = {
        key,
        label: key,
        required: rule % 2 === 0,
        ...(truth && rule > 2 ? { visibleWhen: truth } : {}),
        ...(truth && rule === 1
          ? { requiredWhen: truth, messages: [{ when: truth, words: 'look' }] }
          : {}),
        ...(truth && rule === 2
          ? { findings: [{ when: truth, severity: 3 as const, words: 'found' }], reasonWhen: truth }
          : {}),
      };
      if (kind === 'rows') {
        rowsOf.set(key, `${key}_n`);
        questions.push({
          ...common,
          kind,
          each: 'row',
          starts: ['One'],
          questions: [
            number(`${key}_n`, { required: true, ...(truth ? { visibleWhen: truth } : {}) }),
            {
              kind: 'yesNo',
              key: `${key}_y`,
              label: 'y',
              required: false,
              visibleWhen: `${key}_n > 4`,
            },
          ],
        });
      } else if (kind === 'calculated')
        questions.push({ ...common, kind, unit: '1', formula: of ? formulaOf(of) : '1 + 1' });
      else if (kind === 'number') questions.push(number(key, common));
      else questions.push({ ...common, kind: kind });
    });
    const half = Math.ceil(questions.length / 2);
    return {
      title: 'Any',
      sections: [
        { id: 'a', title: 'A', questions: questions.slice(0, half) },
        { id: 'b', title: 'B', questions: questions.slice(half) },
      ],
    };
  });

function truthOf({ kind, key }: Question): string {
  if (kind === 'number' || kind === 'calculated') return `${key} > 3`;
  if (kind === 'rows') return `sum(${key}, "${key}_n") > 5`;
  return kind === 'yesNo' ? `${key} == "no"` : `has(given.${key})`;
}
function formulaOf({ kind, key }: Question): string {
  if (kind === 'number' || kind === 'calculated') return `${key} * 2`;
  if (kind === 'rows') return `sum(${key}, "${key}_n")`;
  return `has(given.${key}) ? 4 : 1`;
}

/** A template of calculated values alone has nothing to be answered. */
const asksSomething = ({ sections }: TemplateBody): boolean =>
  sections.some(({ questions }) => questions.some(({ kind }) => kind !== 'calculated'));

test('any template: kept up entry by entry it stands as folded anew', () => {
  const cases = templates.filter(asksSomething).chain((body) => {
    const plan = planSheet(body);
    const keys = [...plan.questions.values()].filter(
      ({ question }) => question.kind !== 'calculated',
    );
    const writing = fc.constantFrom(...keys).chain(({ question, groups }) => {
      const path = `${groups.map((group) => `${group}/s1/`).join('')}${question.key}`;
      const value: fc.Arbitrary<AnswerValue | null> =
        question.kind === 'rows'
          ? fc.oneof(
              fc.constant(null),
              figure.map((order) => ({ order, name: 'R' })),
            )
          : question.kind === 'number'
            ? fc.oneof(figure, fc.constant(null))
            : question.kind === 'yesNo'
              ? fc.constantFrom('yes', 'no', 'na', null)
              : fc.constantFrom('a', 'b', null);
      return fc.tuple(
        fc.constantFrom(question.kind === 'rows' ? `${path}/s1` : path, reasonPath(path)),
        value,
      );
    });
    return fc.tuple(fc.constant(plan), historiesOf(plan, writing));
  });
  fc.assert(
    fc.property(cases, fc.nat(), ([plan, all], seed) => sameHoweverItArrives(plan, all, seed)),
    { numRuns: 100 },
  );
});
