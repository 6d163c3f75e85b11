import { differencesIn, needsEyes, programmeDifference, saySide } from '../src/review/index.ts';
import {
  coverOf,
  covers,
  PROGRAMME_PATH,
  type AnswerValue,
  type Entry,
  type PhotoValue,
} from '../src/log/index.ts';
import {
  fold,
  OpenSheet,
  planSheet,
  problemWithEntry,
  questionAtPath,
  sayPath,
  type TemplateBody,
} from '../src/sheet/index.ts';

const BODY: TemplateBody = {
  title: 'T',
  programmes: [
    { key: 'grant', name: 'Grant', required: [], leftOut: [] },
    { key: 'loan', name: 'Loan', required: [], leftOut: [] },
  ],
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        { kind: 'yesNo', key: 'firm', label: 'Rail firm?', required: true },
        {
          kind: 'rows',
          key: 'boards',
          label: 'Boards',
          required: false,
          each: 'board',
          most: 2,
          questions: [{ kind: 'text', key: 'maker', label: 'Maker', required: false }],
        },
        {
          ...{
            kind: 'rows',
            key: 'legs',
            label: 'Legs',
            required: false,
            each: 'leg',
            fixed: true,
          },
          ...{ starts: ['Left', 'Right'] },
          questions: [{ kind: 'text', key: 'state', label: 'State', required: false }],
        },
      ],
    },
  ],
};
const plan = planSheet(BODY);
const PHOTO: PhotoValue = {
  ...{ sha256: 'a'.repeat(64), type: 'image/jpeg', bytes: 9, width: 4, height: 3 },
  ...{ takenAt: '2031-01-01T00:00:00Z', comment: 'near' },
};

let turn = 0;
function entry(
  by: string,
  path: string,
  value: AnswerValue | null,
  over: Partial<Entry> = {},
): Entry {
  turn++;
  return {
    id: `017f22e2-79b0-7000-8000-${turn.toString(16).padStart(12, '0')}`,
    ...{ sheet: 's', path, kind: value === null ? 'clear' : 'answer', value, seen: [] },
    ...{ by, device: `device of ${by}`, at: '2031-01-01T00:00:00Z', prev: null },
    ...over,
  };
}

/** Settles every difference there is by its first side, as the desk does. */
function settle(open: OpenSheet): void {
  const differences = open.state.sections.flatMap(({ questions }) =>
    questions.flatMap((state) => differencesIn(BODY, state)),
  );
  const programme = programmeDifference(BODY, open.state, PROGRAMME_PATH);
  for (const { path, sides } of programme ? [...differences, programme] : differences) {
    const [side] = sides;
    if (!side) continue;
    const settling = entry('office', path, side.value, {
      kind: side.kind,
      reason: 'settled',
      seen: open.headsOf(path),
    });
    expect(problemWithEntry(plan, settling)).toBeNull();
    open.add([settling]);
  }
}

describe('what two people say unaware of each other is a disagreement, until it is settled', () => {
  const photo = entry('ada', 'firm~photo~p', PHOTO);
  const row = entry('ada', 'boards/r', { order: 1, name: 'Board' });
  test.each<[string, string, Entry[]]>([
    [
      'two reasons',
      'firm~reason',
      [
        entry('ada', 'firm', 'no'),
        entry('ada', 'firm~reason', 'Loose'),
        entry('bo', 'firm~reason', 'Rotten'),
      ],
    ],
    [
      'a photo removed by one and commented by another',
      'firm~photo~p',
      [
        photo,
        entry('ada', 'firm~photo~p', null, { seen: [photo.id] }),
        entry('bo', 'firm~photo~p', { ...PHOTO, comment: 'the crack' }, { seen: [photo.id] }),
      ],
    ],
    [
      'two names of a row',
      'boards/r',
      [
        row,
        entry('ada', 'boards/r', { order: 1, name: 'Main board' }, { seen: [row.id] }),
        entry('bo', 'boards/r', { order: 1, name: 'Cellar' }, { seen: [row.id] }),
      ],
    ],
    [
      'two programmes',
      PROGRAMME_PATH,
      [entry('ada', PROGRAMME_PATH, 'grant'), entry('bo', PROGRAMME_PATH, 'loan')],
    ],
  ])('%s', (_name, path, entries) => {
    const open = new OpenSheet(plan);
    open.add(entries);
    expect(open.state.disagreements).toEqual([path]);
    expect(fold(plan, [...entries].reverse()).disagreements).toEqual([path]);
    const seen = open.state.sections.flatMap(({ questions }) => questions).some(needsEyes);
    expect(seen || path === PROGRAMME_PATH).toBe(true);
    settle(open);
    expect(open.state.disagreements).toEqual([]);
  });

  test('the same said twice is none', () => {
    const state = fold(plan, [
      entry('ada', 'firm~reason', 'Loose'),
      entry('bo', 'firm~reason', 'Loose'),
      entry('ada', PROGRAMME_PATH, 'grant'),
      entry('bo', PROGRAMME_PATH, 'grant'),
    ]);
    expect(state.disagreements).toEqual([]);
  });

  test('a side says what it comes to', () => {
    const gone = entry('ada', 'firm~photo~p', null);
    const side = { entry: gone, kind: 'clear', value: null } as const;
    expect(saySide(side)).toBe('Taken away');
    expect(saySide({ ...side, words: 'stays' })).toBe('It stays');
    expect(sayPath(BODY, 'firm~photo~p')).toBe('Photo of Rail firm?');
    expect(sayPath(BODY, 'boards/r/maker')).toBe('Maker');
  });
});

test('rows stay as many as wanted, and those of the template as they are', () => {
  const board = (n: number): Entry => entry('ada', `boards/r${n}`, { order: n, name: `B${n}` });
  const state = fold(plan, [board(1), board(2), board(3)]);
  expect(state.looseEnds.map(({ words }) => words)).toContain('Boards: at most 2 wanted, 3 there');
  const leg = (id: string): Entry => entry('ada', `legs/${id}`, { order: 1, name: 'Leg' });
  expect(problemWithEntry(plan, leg('s1'))).toBeNull();
  expect(problemWithEntry(plan, leg('s3'))).toMatch(/stay as they are/);
  expect(problemWithEntry(plan, leg('mine'))).toMatch(/stay as they are/);
});

describe('what a move of the sheet covers', () => {
  test('is all that its author knew, device by device', () => {
    const known = [entry('ada', 'firm', 'no'), entry('bo', 'boards/r', { order: 1, name: 'B' })];
    const finish = entry('ada', '~stage', null, { kind: 'finish' });
    const move = { ...finish, value: coverOf(known) };
    const late = entry('bo', 'boards/r/maker', 'Tarn');
    expect(known.map((each) => covers(move, each))).toEqual([true, true]);
    expect(covers(move, late)).toBe(false);
    expect(covers(move, entry('cy', 'firm', 'yes'))).toBe(false);
    expect(questionAtPath(fold(plan, [...known, move]), 'firm')?.answer?.value).toBe('no');
    expect(fold(plan, [...known, move, late]).editedAfterFinish).toEqual(['boards/r/maker']);
  });

  test('of a finish that says nothing of it goes by the order of ids, as it used to', () => {
    const before = entry('ada', 'firm', 'no');
    const finish = entry('ada', '~stage', null, { kind: 'finish' });
    const after = entry('ada', 'firm', 'yes', { seen: [before.id] });
    expect(fold(plan, [before, finish]).editedAfterFinish).toEqual([]);
    expect(fold(plan, [before, finish, after]).editedAfterFinish).toEqual(['firm']);
  });

  test('a name every object has is no device', () => {
    const move = entry('ada', '~stage', { covered: {} }, { kind: 'finish' });
    expect(covers(move, entry('x', 'firm', 'no', { device: 'constructor' }))).toBe(false);
    expect(coverOf([entry('x', 'firm', 'no', { device: 'toString' })]).covered).toHaveProperty(
      'toString',
    );
  });
});
