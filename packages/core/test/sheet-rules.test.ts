import fc from 'fast-check';
import {
  blanksPath,
  COVER_PATH,
  filePath,
  photoPath,
  STAGE_PATH,
  type AnswerValue,
  type Entry,
} from '../src/log/index.ts';
import {
  answersToCopy,
  nameRows,
  OpenSheet,
  planSheet,
  problemsOf,
  problemWithEntry,
  questionAtPath,
  readingsOf,
  sayMinutes,
  sayPercent,
  sayScore,
  sayState,
  scoreOf,
  timeInSheet,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';

let turn = 0;

/** One person's phone with one sheet: says what an answer does to it. */
class Phone {
  readonly open: OpenSheet;

  constructor(
    readonly body: TemplateBody,
    readonly person = 'worker',
  ) {
    this.open = new OpenSheet(planSheet(body));
  }

  entry(path: string, value: AnswerValue | null, more: Partial<Entry> = {}): Entry {
    turn++;
    return {
      id: `017f22e2-79b0-7000-b000-${turn.toString(16).padStart(12, '0')}`,
      sheet: 's',
      path,
      kind: value === null ? 'clear' : 'answer',
      value,
      seen: this.open.headsOf(path),
      by: this.person,
      device: 'd',
      at: new Date(1_700_000_000_000 + turn * 1000).toISOString(),
      prev: null,
      ...more,
    };
  }

  put(path: string, value: AnswerValue | null, more: Partial<Entry> = {}): this {
    this.open.add([this.entry(path, value, more)]);
    return this;
  }

  at(path: string) {
    const state = questionAtPath(this.open.state, path);
    if (!state) throw new Error(`${path} is not asked`);
    return state;
  }

  get asked(): string[] {
    return this.open.state.sections.flatMap((s) => s.questions.map((q) => q.path));
  }

  get missing(): string[] {
    return this.open.state.looseEnds.map((end) => end.words);
  }
}

const ask = <Kind extends Question['kind']>(
  kind: Kind,
  key: string,
  more: Partial<Extract<Question, { kind: Kind }>> = {},
): Question => ({ kind, key, label: key, required: false, ...more }) as unknown as Question;

const sheet = (questions: Question[], more: Partial<TemplateBody> = {}): TemplateBody => ({
  title: 'T',
  sections: [{ id: 's', title: 'S', questions }],
  ...more,
});
const problems = (...questions: Question[]): string =>
  problemsOf(sheet(questions))
    .map(({ message }) => message)
    .join(' ');

const photo = {
  sha256: 'a'.repeat(64),
  type: 'image/jpeg' as const,
  bytes: 9,
  width: 3,
  height: 2,
  takenAt: '2022-02-22T19:22:22Z',
  comment: '',
};

describe('rules of a question', () => {
  test('demand an answer, a reason and a photo, and take the demand back', () => {
    const phone = new Phone(
      sheet([
        ask('number', 'wear', { unit: 'mm' }),
        ask('text', 'note', {
          requiredWhen: 'wear > 3',
          reasonWhen: 'wear > 5',
          photoWhen: 'wear > 7',
        }),
      ]),
    );
    expect(phone.missing).toEqual([]);
    phone.put('wear', 8, { unit: 'mm' });
    expect(phone.missing).toEqual([
      'note: no answer yet',
      'note: say why',
      'note: a photo is wanted',
    ]);
    phone.put('wear', 4, { unit: 'mm' });
    expect(phone.missing).toEqual(['note: no answer yet']);
    phone.put('wear', null);
    expect(phone.missing).toEqual([]);
  });

  test('say things, find things with a severity and an action, and only while they hold', () => {
    const phone = new Phone(
      sheet([
        ask('number', 'gap', {
          unit: 'mm',
          messages: [{ when: 'gap > 2', words: 'Measure it twice.' }],
          findings: [
            { when: 'gap > 2', severity: 2, words: 'Wide', action: 'Shim it' },
            { when: 'gap > 4', severity: 4, words: 'Far too wide' },
          ],
        }),
      ]),
    );
    phone.put('gap', 5, { unit: 'mm' });
    expect(phone.at('gap').messages.map(({ words }) => words)).toEqual(['Measure it twice.']);
    expect(phone.open.state.findings).toEqual([
      { key: 'gap', severity: 4, words: 'Far too wide' },
      { key: 'gap', severity: 2, words: 'Wide', proposedAction: 'Shim it' },
    ]);
    phone.put('gap', 1, { unit: 'mm' });
    expect(phone.open.state.findings).toEqual([]);
  });

  test('hide answers from other rules when their question is not asked any more', () => {
    const phone = new Phone(
      sheet([
        ask('yesNo', 'has'),
        ask('number', 'size', { unit: '1', visibleWhen: 'has == "yes"' }),
        ask('calculated', 'twice', { unit: '1', formula: 'size * 2' }),
      ]),
    );
    phone.put('has', 'yes').put('size', 4, { unit: '1' });
    expect(phone.at('twice').calculated).toBe(8);
    phone.put('has', 'no');
    expect(phone.asked).toEqual(['has', 'twice']);
    expect(phone.at('twice').calculated).toBeNull();
    phone.put('has', 'yes');
    expect(phone.at('twice').calculated).toBe(8);
  });

  test('suggest an answer until there is one', () => {
    const phone = new Phone(
      sheet([ask('number', 'a', { unit: '1' }), ask('number', 'b', { unit: '1', suggest: 'a' })]),
    );
    phone.put('a', 7, { unit: '1' });
    expect(phone.at('b').suggested).toBe(7);
    expect(phone.at('b').answer).toBeNull();
    phone.put('b', 1, { unit: '1' });
    expect(phone.at('b').suggested).toBeNull();
  });

  test('a section of its own condition comes and goes as a whole', () => {
    const phone = new Phone({
      title: 'T',
      sections: [
        { id: 'a', title: 'A', questions: [ask('yesNo', 'more')] },
        {
          id: 'b',
          title: 'B',
          visibleWhen: 'more == "yes"',
          questions: [ask('text', 'x', { required: true }), ask('text', 'y', { required: true })],
        },
      ],
    });
    expect(phone.asked).toEqual(['more']);
    phone.put('more', 'yes');
    expect(phone.missing).toHaveLength(2);
    phone.put('more', 'no');
    expect(phone.missing).toEqual([]);
  });
});

describe('a reading', () => {
  const gauge = (more: object = {}): TemplateBody =>
    sheet([
      ask('number', 'limit', { unit: 'bar' }),
      ask('number', 'pressure', {
        unit: 'bar',
        alsoIn: ['[psi]'],
        expected: { low: 1, high: 4 },
        ...more,
      }),
      ask('calculated', 'half', { unit: 'bar', formula: 'pressure / 2' }),
    ]);

  test('entered in another unit is judged, computed with and kept in series after conversion', () => {
    const phone = new Phone(gauge());
    phone.put('pressure', 72.5188, { unit: '[psi]' });
    expect(phone.at('pressure').alert?.verdict).toBe('above');
    expect(phone.at('pressure').answer).toMatchObject({ value: 72.5188, unit: '[psi]' });
    expect(phone.at('half').calculated).toBeCloseTo(2.5, 4);
    expect(readingsOf(phone.open.state)[0]?.value).toBeCloseTo(5, 4);
    phone.put('pressure', 43.5, { unit: '[psi]' });
    expect(phone.at('pressure').alert).toBeNull();
  });

  test('has limits that follow another answer', () => {
    const phone = new Phone(gauge({ highFrom: 'limit' }));
    phone.put('pressure', 3, { unit: 'bar' });
    expect(phone.at('pressure').expected).toEqual({ low: 1, high: 4 });
    phone.put('limit', 2, { unit: 'bar' });
    expect(phone.at('pressure').expected).toEqual({ low: 1, high: 2 });
    expect(phone.at('pressure').alert?.words).toBe('Above the expected 1 to 2 bar');
  });

  test('just over its limit is never written as if it lay on it', () => {
    const phone = new Phone(sheet([ask('number', 'n', { unit: 'mm', decimals: 1 })]));
    phone.put('n', 4.04, { unit: 'mm' });
    expect(sayState(phone.at('n'), String)).toBe('4.04 mm');
    phone.put('n', 4, { unit: 'mm' });
    expect(sayState(phone.at('n'), String)).toBe('4.0 mm');
  });

  test('in a unit its question does not have is refused', () => {
    const phone = new Phone(sheet([ask('number', 'n', { unit: 'mm' })]));
    const refused = problemWithEntry(planSheet(phone.body), phone.entry('n', 4, { unit: 'bar' }));
    expect(refused).toBe('n: give the value in mm.');
  });
});

describe('a led sheet', () => {
  const led: TemplateBody = {
    title: 'T',
    order: 'led',
    sections: ['one', 'two', 'three'].map((id) => ({
      id,
      title: id,
      questions: [
        ask('yesNo', `${id}_done`, { required: true }),
        ...(id === 'two' ? [ask('hold', 'check', { required: true })] : []),
      ],
    })),
  };
  const strokes = [
    [
      [0, 0],
      [1, 1],
    ],
  ] as const;

  test('opens its sections one after the other', () => {
    const phone = new Phone(led);
    expect(phone.open.state.waiting).toEqual(['two', 'three']);
    phone.put('one_done', 'yes');
    expect(phone.open.state.waiting).toEqual(['three']);
  });

  test('is held until somebody who did not do the work has passed it', () => {
    const phone = new Phone(led);
    phone.put('one_done', 'yes').put('two_done', 'yes');
    phone.put('check', { verdict: 'passed', name: 'Me', person: 'worker', strokes });
    expect(phone.missing).toContain('check: somebody who did not do the work must pass it');
    expect(phone.open.state.waiting).toEqual(['three']);
    phone.put('check', { verdict: 'passed', name: 'Bo', person: 'second', strokes });
    expect(phone.missing).toContain(
      'check: it counts once that person has passed it themselves, by a code from their own phone',
    );
    phone.put('check', { verdict: 'passed', name: 'Bo', person: 'second', strokes, proof: 'P' });
    expect(phone.open.state.waiting).toEqual([]);
    phone.open.add([phone.entry('three_done', 'yes', { by: 'second' })]);
    expect(phone.missing).toContain('check: somebody who did not do the work must pass it');
  });

  test('a refusal is a finding and needs its reason', () => {
    const phone = new Phone(led);
    const refusal = { verdict: 'refused' as const, name: 'Bo', person: 'second', strokes };
    expect(problemWithEntry(planSheet(led), phone.entry('check', refusal))).toMatch(/why it is/);
    phone.put('check', { ...refusal, note: 'crooked' });
    expect(phone.open.state.findings[0]).toMatchObject({
      severity: 3,
      words: 'check: Refused by Bo: crooked',
    });
  });
});

describe('points', () => {
  const scored = sheet(
    [
      ask('yesNo', 'a', { points: { good: 10 } }),
      ask('performed', 'b', { points: { good: 6, bad: 1, stopsEverything: true } }),
      ask('choice', 'c', {
        options: [
          { key: 'x', label: 'X', points: 4 },
          { key: 'y', label: 'Y', points: 0, stopsEverything: true },
          { key: 'z', label: 'Z' },
        ],
      }),
    ],
    { score: { target: 80, cap: 30, grades: [{ from: 90, word: 'A' }] } },
  );

  test('count on both sides only what was judged', () => {
    const phone = new Phone(scored);
    expect(phone.open.state.score).toMatchObject({ percent: null });
    phone.put('a', 'na');
    expect(phone.open.state.score).toMatchObject({ possible: 0 });
    phone.put('a', 'yes').put('c', 'z');
    expect(phone.open.state.score).toMatchObject({ reached: 10, possible: 10, grade: 'A' });
    phone.put('c', 'x').put('b', 'done');
    expect(phone.open.state.score).toMatchObject({ reached: 20, possible: 20, percent: 100 });
  });

  test('are capped by what stops everything, and freed again', () => {
    const phone = new Phone(scored);
    phone.put('a', 'yes').put('b', 'not');
    expect(phone.open.state.score).toMatchObject({ reached: 11, possible: 16, percent: 30 });
    expect(phone.open.state.score && sayScore(phone.open.state.score)).toBe(
      '30 % of the points, 11 of 16, capped by a failed question that stops everything',
    );
    phone.put('b', 'done');
    expect(phone.open.state.score).toMatchObject({ percent: 100, capped: false });
  });
});

describe('arithmetic in binary never moves a value over a limit', () => {
  test('32 °F is 0 °C, and not above it', () => {
    const phone = new Phone(
      sheet([ask('number', 'ice', { unit: 'Cel', alsoIn: ['[degF]'], expected: { high: 0 } })]),
    );
    phone.put('ice', 32, { unit: '[degF]' });
    expect(phone.at('ice').alert).toBeNull();
    phone.put('ice', 32.1, { unit: '[degF]' });
    expect(phone.at('ice').alert).not.toBeNull();
  });

  const loads = sheet([
    ask('number', 'a', { unit: 'kg' }),
    ask('number', 'b', { unit: 'kg', expected: { low: 0 }, lowFrom: 'a * 3.0' }),
    ask('calculated', 'both', { formula: 'a + b', unit: 'kg', expected: { high: 3.3 } }),
    ask('calculated', 'ratio', { formula: 'a / b', expected: { high: 1 } }),
  ]);

  test('1.1 and 2.2 lie on a limit of 3.3', () => {
    const phone = new Phone(loads).put('a', 1.1, { unit: 'kg' }).put('b', 2.2, { unit: 'kg' });
    expect(phone.at('both')).toMatchObject({ calculated: 3.3, alert: null });
    phone.put('b', 2.21, { unit: 'kg' });
    expect(phone.at('both').alert).not.toBeNull();
  });

  test('a limit that is computed is where it should be', () => {
    const phone = new Phone(loads).put('a', 1.1, { unit: 'kg' }).put('b', 3.3, { unit: 'kg' });
    expect(phone.at('b')).toMatchObject({ expected: { low: 3.3 }, alert: null });
  });

  test('a result is rounded as wanted, but not onto its limit', () => {
    const question = ask('calculated', 'q', {
      ...{ formula: 'n / 3.0', decimals: 1, expected: { high: 1 } },
    });
    const phone = new Phone(sheet([ask('number', 'n', { unit: '1' }), question]));
    phone.put('n', 2, { unit: '1' });
    expect(sayState(phone.at('q'), String)).toBe('0.7');
    phone.put('n', 3.06, { unit: '1' });
    expect(sayState(phone.at('q'), String)).toBe('1.02');
  });

  test('what divides by nothing gives nothing', () => {
    const phone = new Phone(loads).put('a', 1, { unit: 'kg' }).put('b', 0, { unit: 'kg' });
    expect(phone.at('ratio')).toMatchObject({ calculated: null, alert: null });
  });

  test('a grade is reached exactly when its share of the points is', () => {
    const whole = fc.integer({ min: 1, max: 300 });
    fc.assert(
      fc.property(whole, whole, fc.integer({ min: 0, max: 100 }), (one, other, from) => {
        const [reached, possible] = [Math.min(one, other), Math.max(one, other)];
        const tally = { reached, possible, stops: false, answered: 0, asked: 0, alerts: 0 };
        const { grade, percent } = scoreOf({ target: 80, grades: [{ from, word: 'A' }] }, tally);
        expect(grade === 'A').toBe(reached * 100 >= from * possible);
        const shown = Number(sayPercent(percent ?? 0).split(' ')[0]);
        expect(shown >= from).toBe(grade === 'A');
      }),
    );
  });
});

describe('an entry is refused when', () => {
  const phone = new Phone(
    sheet([
      ask('number', 'n', { unit: '1' }),
      ask('text', 'kept', { neverBlank: true }),
      ask('signature', 'signed'),
      ask('file', 'papers'),
      ask('rows', 'beds', {
        each: 'bed',
        fixed: true,
        starts: ['One'],
        questions: [ask('text', 'who')],
      }),
    ]),
  );
  const plan = planSheet(phone.body);
  const refusal = (path: string, value: AnswerValue | null): string | null =>
    problemWithEntry(plan, phone.entry(path, value));
  const file = { ...photo, name: 'x.pdf', type: 'application/pdf' };

  test.each<[string, string, AnswerValue | null, RegExp]>([
    ['it closes out what the template keeps open', blanksPath('1'), { closed: ['kept'] }, /kept/],
    ['it closes out a signature', blanksPath('1'), { closed: ['n', 'signed'] }, /signed/],
    ['it closes out nothing', blanksPath('1'), { closed: [] }, /Nothing is named/],
    ['it closes out what is not asked', blanksPath('1'), { closed: ['nowhere'] }, /nowhere/],
    ['a file is added where none belongs', filePath('n', 'f'), file, /takes no files/],
    ['a row of fixed rows is removed', 'beds/s1', null, /stay as they are/],
    ['it names a row group as a question', 'beds/s1/n', 'x', /no question/],
    ['the cover is no photo', COVER_PATH, 'n', /photos for the cover/],
  ])('%s', (_why, path, value, words) => {
    expect(refusal(path, value)).toMatch(words);
  });

  test('and not when it is right', () => {
    expect(refusal(filePath('papers', 'f'), file)).toBeNull();
    expect(refusal('beds/s1/who', 'Ada')).toBeNull();
    expect(refusal(photoPath('beds/s1/who', 'p'), photo)).toBeNull();
    expect(refusal(COVER_PATH, photoPath('n', 'p'))).toBeNull();
    expect(refusal(blanksPath('1'), { closed: ['n', 'beds/s1/who'] })).toBeNull();
  });

  test('what was closed out against the template stays open all the same', () => {
    phone.put(blanksPath('2'), { closed: ['kept', 'signed', 'n'] });
    expect(phone.at('kept').closedOut).toBeNull();
    expect(phone.at('signed').closedOut).toBeNull();
    expect(phone.at('n').closedOut).not.toBeNull();
  });
});

describe('a template is refused when', () => {
  const rows = (key: string, ...questions: Question[]): Question =>
    ask('rows', key, { each: 'row', questions });
  const n = (key: string, more: object = {}): Question =>
    ask('number', key, { unit: '1', ...more });

  test.each<[string, Question[], RegExp]>([
    [
      'a column does not exist',
      [rows('r', n('a')), n('b', { suggest: 'sum(r, "c")' })],
      /“c” is no/,
    ],
    [
      'it reads into rows from outside',
      [rows('r', n('a')), n('b', { visibleWhen: 'a > 1' })],
      /use sum\(r, "a"\)/,
    ],
    [
      'the row before has no such thing',
      [n('x'), rows('r', n('a', { suggest: 'previous.x' }))],
      /row before has no x/,
    ],
    ['a row is meant where there is none', [n('a', { suggest: 'row.number' })], /in no row/],
    [
      'something unknown is given',
      [n('a', { visibleWhen: 'has(given.b)' })],
      /nothing is called b/,
    ],
    ['a limit is no number', [ask('text', 't'), n('a', { highFrom: 't' })], /must give a number/],
    [
      'a formula reads itself',
      [ask('calculated', 'c', { unit: '1', formula: 'c + 1' })],
      /wait for each/,
    ],
    [
      'rows and a sum wait for each other',
      [
        rows('r', ask('calculated', 'i', { unit: '1', formula: 'all * 1' })),
        ask('calculated', 'all', { unit: '1', formula: 'sum(r, "i")' }),
      ],
      /wait for each/,
    ],
    ['rows stand too deep', [rows('a', rows('b', rows('c', n('d'))))], /too deep/],
    [
      'a range ends before it begins',
      [n('a', { expected: { low: 4, high: 1 } })],
      /before it begins/,
    ],
    ['a unit measures something else', [n('a', { unit: 'bar', alsoIn: ['mm'] })], /something else/],
    [
      'answers are offered twice',
      [
        ask('choice', 'c', {
          options: [
            { key: 'x', label: 'X' },
            { key: 'x', label: 'Y' },
          ],
        }),
      ],
      /twice/,
    ],
    ['a name means something in every expression', [n('previous')], /another key/],
  ])('%s', (_why, questions, words) => {
    expect(problems(...questions)).toMatch(words);
  });

  test('a condition of a section is reported once for all its questions', () => {
    const body = sheet([n('a'), n('b'), n('c')]);
    const [section] = body.sections;
    if (!section) throw new Error('no section');
    const found = problemsOf({ ...body, sections: [{ ...section, visibleWhen: 'nope > 1' }] });
    expect(found).toHaveLength(1);
  });
});

describe('rows', () => {
  const body = sheet([
    ask('rows', 'devices', {
      each: 'device',
      least: 2,
      questions: [
        ask('choice', 'sort', { options: [{ key: 'a', label: 'A' }] }),
        ask('code', 'tag'),
        ask('number', 'level', { unit: 'mm', alsoIn: ['cm'], suggest: 'previous.level' }),
      ],
    }),
  ]);

  test('are wanted in number, offered what the row before has, and copied without its tag', () => {
    const phone = new Phone(body);
    expect(phone.missing).toEqual(['devices: at least 2 wanted, 0 there']);
    phone.put('devices/x', { order: 1, name: 'One' }).put('devices/y', { order: 2, name: 'Two' });
    expect(phone.missing).toEqual([]);
    phone.put('devices/x/sort', 'a').put('devices/x/tag', { code: 'T1', how: 'typed' });
    phone.put('devices/x/level', 4, { unit: 'cm' });
    expect(phone.at('devices/y/level').suggested).toBe(40);
    const [from, to] = phone.at('devices').rows;
    if (!from || !to) throw new Error('no rows');
    expect(answersToCopy(from, to)).toEqual([
      { path: 'devices/y/sort', value: 'a' },
      { path: 'devices/y/level', value: 4, unit: 'cm' },
    ]);
    phone.put('devices/y/sort', 'a');
    const again = phone.at('devices').rows;
    expect(answersToCopy(again[0] ?? from, again[1] ?? to).map(({ path }) => path)).toEqual([
      'devices/y/level',
    ]);
  });

  test('changed after finishing are named by their path', () => {
    const phone = new Phone(body);
    phone.put('devices/x', { order: 1, name: 'One' });
    phone.put(STAGE_PATH, null, { kind: 'finish' });
    phone.put('devices/x/sort', 'a');
    expect(phone.open.state.editedAfterFinish).toEqual(['devices/x/sort']);
  });

  test('answered before anybody declared them wait among the strays, and come up then', () => {
    const phone = new Phone(body);
    phone.put('devices/x/sort', 'a');
    expect(phone.open.state.strays).toHaveLength(1);
    expect(phone.at('devices').rows).toEqual([]);
    phone.put('devices/x', { order: 1, name: 'One' });
    expect(phone.open.state.strays).toEqual([]);
    expect(phone.at('devices/x/sort').answer?.value).toBe('a');
  });

  test.each([
    [3, 7, 'Bed #', ['Bed 7', 'Bed 8', 'Bed 9']],
    [2, 9, 'B##', ['B09', 'B10']],
    [1, 1, 'The only one', ['The only one']],
  ])('%i from %i called %j', (count, from, pattern, names) => {
    expect(nameRows(count, from, pattern)).toEqual({ names });
  });
  test.each([
    [0, 1, '#'],
    [501, 1, '#'],
    [2, 1, 'all alike'],
    [2, -1, '#'],
    [1.5, 1, '#'],
    [1, 1, '  '],
    [Number.NaN, 1, '#'],
  ])('%d from %d called %j is refused', (count, from, pattern) => {
    expect(nameRows(count, from, pattern)).toHaveProperty('problem');
  });
});

test('time in a sheet leaves out long pauses, whatever the order', () => {
  const at = (minute: number): string => new Date(minute * 60_000).toISOString();
  expect(timeInSheet([at(9), at(0), at(4), at(60), at(61)])).toBe(10 * 60);
  expect(timeInSheet([])).toBe(0);
  expect([sayMinutes(20), sayMinutes(600), sayMinutes(3600), sayMinutes(5400)]).toEqual([
    '1 min',
    '10 min',
    '1 h',
    '1 h 30 min',
  ]);
});
