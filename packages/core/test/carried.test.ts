import fc from 'fast-check';
import { PROGRAMME_PATH, rowPath, type AnswerValue, type Entry } from '../src/log/index.ts';
import { assetRows, thingsIn, type Asset } from '../src/register/index.ts';
import {
  allOffered,
  answersForNewRow,
  answersToCarry,
  asVariant,
  byPath,
  fold,
  OpenSheet,
  orderAfterMove,
  planSheet,
  problemsOf,
  problemWithEntry,
  questionAtPath,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { entryOn } from './support.ts';

const ask = (kind: string, key: string, more: object = {}): Question =>
  ({ kind, key, label: key, required: true, ...more }) as unknown as Question;

const BODY: TemplateBody = {
  title: 'House',
  programmes: [
    { key: 'grant', name: 'Hut grant', required: ['insulation'], leftOut: ['smell'] },
    { key: 'plain', name: 'Plain', required: [], leftOut: [] },
  ],
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        ask('text', 'maker'),
        ask('text', 'remark', { required: false }),
        ask('number', 'pressure', { unit: 'bar' }),
        ask('number', 'capacity', { unit: '1', carries: true }),
        ask('number', 'insulation', { unit: '1', required: false }),
        ask('text', 'smell'),
        ask('text', 'grant_number', { required: false, visibleWhen: 'programme == "grant"' }),
        ask('rows', 'alarms', {
          each: 'alarm',
          of: 'smoke alarm',
          required: false,
          questions: [ask('text', 'model'), ask('yesNo', 'works')],
        }),
      ],
    },
  ],
};
const PLAN = planSheet(BODY);
const ROW = '017f22e2-79b0-7000-a000-00000000aaaa';

const sheetWith = (...said: readonly (readonly [string, AnswerValue, string?])[]): OpenSheet => {
  const open = new OpenSheet(PLAN);
  for (const [path, value, unit] of said) {
    const entry = entryOn(open, path, 'answer', value);
    open.add([unit === undefined ? entry : { ...entry, unit }]);
  }
  return open;
};

describe('the visit before', () => {
  const before = sheetWith(
    ['maker', 'Fell'],
    ['remark', 'Gutter loose'],
    ['pressure', 3, 'bar'],
    ['capacity', 12, '1'],
    [rowPath('alarms', ROW), { order: 1, name: 'Alarm 1' }],
    [`${rowPath('alarms', ROW)}/model`, 'S4'],
    [`${rowPath('alarms', ROW)}/works`, 'yes'],
  );
  const last = byPath(answersToCarry(before.state, BODY));

  test('offers facts and rows, never readings, judgements or remarks', () => {
    expect([...last.keys()]).toEqual(['maker', 'capacity', `alarms/${ROW}`, `alarms/${ROW}/model`]);
  });

  test('is taken over in one go, and offers nothing of it again', () => {
    const now = new OpenSheet(PLAN);
    const offered = allOffered(now.state.sections[0]?.questions ?? [], last);
    expect(offered).toHaveLength(4);
    for (const { path, value, unit } of offered) {
      const entry = { ...entryOn(now, path, 'answer', value), ...(unit ? { unit } : {}) };
      expect(problemWithEntry(PLAN, entry)).toBeNull();
      now.add([entry]);
    }
    expect(questionAtPath(now.state, `alarms/${ROW}/model`)?.answer?.value).toBe('S4');
    expect(questionAtPath(now.state, `alarms/${ROW}/works`)?.answer).toBeNull();
    expect(allOffered(now.state.sections[0]?.questions ?? [], last)).toEqual([]);
  });

  test('offers an answer only while the question has none and could still take it', () => {
    const now = sheetWith(['maker', 'Other']);
    const open = allOffered(now.state.sections[0]?.questions ?? [], last);
    expect(open.map(({ path }) => path)).not.toContain('maker');
    const [maker] = now.state.sections[0]?.questions ?? [];
    const changed = { ...maker!, answer: null, question: ask('phone', 'maker') };
    expect(allOffered([changed], last)).toEqual([]);
  });
});

test('an answer in a unit that is no longer taken is neither offered nor part of a variant', () => {
  const answers = [{ path: 'capacity', value: 12, unit: '1' }];
  const inLitres = (question: Question): Question =>
    question.key === 'capacity' ? ({ ...question, unit: 'L' } as Question) : question;
  const body = {
    ...BODY,
    sections: BODY.sections.map((s) => ({ ...s, questions: s.questions.map(inLitres) })),
  };
  const now = new OpenSheet(planSheet(body)).state.sections[0]?.questions ?? [];
  expect(allOffered(now, byPath(answers))).toEqual([]);
  expect(problemsOf({ ...body, variants: [{ name: 'Old', answers }] })).toMatchObject([
    { message: 'The variant “Old” no longer fits “capacity”.' },
  ]);
});

describe('a variant', () => {
  const answers = asVariant(
    sheetWith(
      ['maker', 'Fell'],
      ['pressure', 3, 'bar'],
      [rowPath('alarms', ROW), { order: 1, name: 'Alarm 1' }],
    ).state,
  );

  test('holds every plain answer and the rows, and can be published', () => {
    expect(answers.map(({ path }) => path)).toEqual(['maker', 'pressure', `alarms/${ROW}`]);
    expect(problemsOf({ ...BODY, variants: [{ name: 'Small', answers }] })).toEqual([]);
  });

  test('that no longer fits is named', () => {
    const variants = [{ name: 'Small', answers: [{ path: 'gone', value: 1 }] }];
    expect(problemsOf({ ...BODY, variants })).toMatchObject([
      { message: 'The variant “Small” no longer fits “gone”.' },
    ]);
  });
});

describe('a programme', () => {
  const chosen = (key: string): OpenSheet => {
    const open = new OpenSheet(PLAN);
    open.add([entryOn(open, PROGRAMME_PATH, 'answer', key)]);
    return open;
  };

  test('requires, leaves out, and is known to expressions by its key', () => {
    const none = new OpenSheet(PLAN).state;
    expect(questionAtPath(none, 'smell')).not.toBeNull();
    expect(questionAtPath(none, 'insulation')?.required).toBe(false);
    expect(questionAtPath(none, 'grant_number')).toBeNull();
    const { state } = chosen('grant');
    expect(state.programme?.name).toBe('Hut grant');
    expect(questionAtPath(state, 'smell')).toBeNull();
    expect(questionAtPath(state, 'insulation')?.required).toBe(true);
    expect(questionAtPath(state, 'grant_number')).not.toBeNull();
  });

  test('named by the office is no beginning of the work', () => {
    expect(chosen('grant').state.stage).toBe('untouched');
  });

  test('that the template does not know is refused', () => {
    const open = new OpenSheet(PLAN);
    const entry = entryOn(open, PROGRAMME_PATH, 'answer', 'other');
    expect(problemWithEntry(PLAN, entry)).toMatch(/knows no such programme/);
  });

  test('may not both require and leave out, or name what is not asked', () => {
    const [first] = BODY.programmes ?? [];
    const wrong = { ...first!, required: ['smell', 'nothing'] };
    const found = problemsOf({ ...BODY, programmes: [wrong] }).map(({ message }) => message);
    expect(found).toEqual([
      'The programme “Hut grant” names “nothing”, which is not asked.',
      'The programme “Hut grant” both requires and leaves out “smell”.',
    ]);
  });

  test('changing at any time, the sheet kept open equals the sheet folded anew', () => {
    const step = fc.oneof(
      fc.constantFrom('grant', 'plain', null).map((key) => [PROGRAMME_PATH, key] as const),
      fc.constantFrom('maker', 'smell', 'grant_number').map((path) => [path, 'x'] as const),
      fc.constant([rowPath('alarms', ROW), { order: 1, name: 'A' }] as const),
      fc.constant([`${rowPath('alarms', ROW)}/model`, 'S4'] as const),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const open = new OpenSheet(PLAN);
        const all: Entry[] = [];
        for (const [path, value] of steps) {
          const entry = entryOn(open, path, value === null ? 'clear' : 'answer', value);
          all.push(entry);
          open.add([entry]);
        }
        expect(open.state).toEqual(fold(PLAN, all));
      }),
    );
  });
});

describe('rows that are things of the register', () => {
  const asset = (id: string, name: string, more: Partial<Asset> = {}) => ({
    id,
    kind: 'Smoke alarm ',
    name,
    ...{ retired: false, within: null, area: false, alsoIn: [] },
    ...more,
  });

  test('are offered in the order of their names, each once, retired ones never', () => {
    const open = sheetWith([rowPath('alarms', ROW), { order: 1, name: 'Alarm 1' }]);
    const group = questionAtPath(open.state, 'alarms');
    const rows = assetRows(group!, [
      asset('b', 'Alarm 10'),
      asset('a', 'Alarm 2'),
      asset(ROW, 'Alarm 1'),
      asset('c', 'Alarm 3', { retired: true }),
      asset('d', 'Hose', { kind: 'hose' }),
    ]);
    expect(rows).toEqual([
      { path: 'alarms/a', value: { order: 2, name: 'Alarm 2' } },
      { path: 'alarms/b', value: { order: 3, name: 'Alarm 10' } },
    ]);
  });

  test('are those of the thing the sheet is about, where it has some', () => {
    const group = questionAtPath(sheetWith().state, 'alarms');
    const things = [
      asset('east', 'East panel', { kind: 'panel' }),
      asset('hall', 'Hall', { kind: 'room', area: true, within: 'east' }),
      asset('a', 'Alarm 1', { within: 'hall' }),
      asset('b', 'Alarm 2', { alsoIn: ['east'] }),
      asset('c', 'Alarm 3'),
      asset('west', 'West panel', { kind: 'panel' }),
    ];
    const named = (about: string | null) =>
      assetRows(group!, things, about).map(({ value }) => value.name);
    expect(named('east')).toEqual(['Alarm 1', 'Alarm 2']);
    // Nobody said yet what belongs to it: all of the place are offered.
    expect(named('west')).toEqual(['Alarm 1', 'Alarm 2', 'Alarm 3']);
    expect(named(null)).toHaveLength(3);
  });

  test('are told to the register with their kind', () => {
    const open = sheetWith([rowPath('alarms', ROW), { order: 1, name: 'Alarm 1' }]);
    expect(thingsIn(open.state)).toEqual([{ id: ROW, kind: 'smoke alarm', name: 'Alarm 1' }]);
  });
});

test('a row moves past its neighbour and no further', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 20 }),
      fc.nat(),
      fc.constantFrom(-1 as const, 1 as const),
      (count, seed, step) => {
        const orders = Array.from({ length: count }, (_, index) => index * 2 + 1);
        const index = seed % count;
        const next = orderAfterMove(orders, index, step);
        const sorted = orders
          .map((order, at) => ({ at, order: at === index ? next : order }))
          .sort((a, b) => a.order - b.order)
          .map(({ at }) => at);
        const to = Math.min(count - 1, Math.max(0, index + step));
        expect(sorted.indexOf(index)).toBe(to);
      },
    ),
  );
});

test('a new row shares plain values with the one it is made after, and no code', () => {
  const open = sheetWith(
    [rowPath('alarms', ROW), { order: 1, name: 'Alarm 1' }],
    [`${rowPath('alarms', ROW)}/model`, 'S4'],
  );
  const [model] = questionAtPath(open.state, 'alarms')?.rows ?? [];
  expect(answersForNewRow(model!, 'alarms/new')).toEqual([
    { path: 'alarms/new/model', value: 'S4' },
  ]);
});
