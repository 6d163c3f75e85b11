import {
  OpenSheet,
  planSheet,
  problemsOf,
  problemWithEntry,
  QUESTION_KINDS,
  questionAtPath,
  questionsOf,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import {
  addQuestions,
  copyOf,
  explain,
  keysOf,
  questionBank,
  readQuestions,
  sampleAnswer,
} from '../src/templates/index.ts';
import { EMPTY, questionOf } from './every-kind.ts';
import { entryOn } from './support.ts';

const ask = (kind: string, key: string, more: object = {}): Question =>
  ({ kind, key, label: key, required: true, ...more }) as unknown as Question;
const sheet = (...questions: Question[]): TemplateBody => ({
  ...EMPTY,
  sections: [{ id: 's', title: 'S', questions }],
});

describe('questions asked before', () => {
  const rows = ask('rows', 'shelves', {
    each: 'shelf',
    questions: [
      ask('number', 'filled', { unit: '1' }),
      ask('number', 'counted', {
        unit: '1',
        checks: [{ must: 'counted >= filled', words: 'counted below filled' }],
      }),
    ],
  });

  test('are offered once, by the template that asks them', () => {
    const one = sheet(ask('text', 'a', { label: 'Seen' }), rows);
    const two = { ...sheet(ask('text', 'b', { label: 'Seen' }), ask('yesNo', 'c')), title: 'Two' };
    expect(
      questionBank([one, two]).map(({ question, category }) => [question.key, category]),
    ).toEqual([
      ['a', 'T'],
      ['shelves', 'T'],
      ['c', 'Two'],
    ]);
  });

  test('keep their keys where they are free', () => {
    expect(copyOf(rows, new Set(['other']))).toBe(rows);
  });

  test('are renamed in their own expressions where a key is taken, and words stay words', () => {
    const body = sheet(
      rows,
      ask('calculated', 'all', { formula: 'sum(shelves, "filled")', unit: '1' }),
    );
    const copy = copyOf(rows, keysOf(body));
    const more = sheet(...body.sections[0]!.questions, copy);
    expect(problemsOf(more)).toEqual([]);
    expect(questionsOf(more).map(({ key }) => key)).toEqual([
      ...['shelves', 'filled', 'counted', 'all'],
      ...['shelves_2', 'filled_2', 'counted_2'],
    ]);
    const counted = questionsOf(more).at(-1);
    expect(counted?.checks).toEqual([
      { must: 'counted_2 >= filled_2', words: 'counted below filled' },
    ]);
  });
});

describe('questions from a file', () => {
  const read = readQuestions(
    [
      ['Kind', 'Question', 'Section', 'Unit', 'From', 'To', 'Choices', 'Required', 'Help'],
      ['', 'Door shuts?', 'Hall', '', '', '', '', '', 'Try it twice'],
      ['', 'Air', '', 'Cel', '2', '12,5', '', 'no', ''],
      ['several choices', 'Seen', 'Cellar', '', '', '', 'Dry; !Wet ;', '', ''],
      ['', 'Floor', '', '', '', '', 'Dry;!Wet', '', ''],
      ['', '', '', '', '', '', '', '', 'nothing asked'],
      ['weigh', 'Sack', '', '', '', '', '', '', ''],
      ['number', 'Sack', '', 'kg', 'light', '', '', '', ''],
      ['choice', 'Sack', '', '', '', '', '', '', ''],
    ],
    EMPTY,
  );

  test('are understood by what their line holds', () => {
    expect(read.sections.map(({ title }) => title)).toEqual(['Hall', 'Cellar']);
    expect(read.sections.flatMap(({ questions }) => questions)).toMatchObject([
      { kind: 'yesNo', key: 'door_shuts', required: true, help: 'Try it twice' },
      {
        kind: 'number',
        key: 'air',
        unit: 'Cel',
        expected: { low: 2, high: 12.5 },
        required: false,
      },
      { kind: 'choices', options: [{ label: 'Dry' }, { label: 'Wet', severity: 2 }] },
      { kind: 'choice', key: 'floor' },
    ]);
  });

  test('that can’t be read are named by line and reason', () => {
    expect(read.refused).toEqual([
      { line: 6, why: 'It has no question.' },
      { line: 7, why: '“weigh” is no kind of question that a file can hold.' },
      { line: 8, why: '“light” is no number.' },
      { line: 9, why: 'It offers nothing to choose.' },
    ]);
    expect(readQuestions([['a', 'b']], EMPTY).refused).toMatchObject([{ line: 1 }]);
  });

  test('join the section of their title, and make a template that can be published', () => {
    const before = sheet(ask('text', 'air'));
    const body = addQuestions(
      { ...before, sections: [{ ...before.sections[0]!, title: 'Hall' }] },
      readQuestions(
        [
          ['Question', 'Section'],
          ['Air', 'Hall'],
          ['Roof', 'Outside'],
        ],
        before,
      ),
    );
    expect(
      body.sections.map(({ title, questions }) => [title, questions.map(({ key }) => key)]),
    ).toEqual([
      ['Hall', ['air', 'air_2']],
      ['Outside', ['roof']],
    ]);
    expect(problemsOf(body)).toEqual([]);
  });
});

describe('why a question is asked', () => {
  const plan = planSheet(
    sheet(
      ask('choice', 'ground', { options: [{ key: 'wet', label: 'Wet' }] }),
      ask('number', 'depth', {
        unit: '1',
        required: false,
        visibleWhen: 'ground == "wet"',
        requiredWhen: 'ground == "wet"',
      }),
      ask('rows', 'poles', {
        each: 'pole',
        questions: [ask('text', 'note', { visibleWhen: 'ground == "wet"' })],
      }),
    ),
  );

  test('is told by its rule and by what the rule reads, before and after', () => {
    const open = new OpenSheet(plan);
    expect(explain(plan, open.state, 'depth')).toMatchObject({
      asked: false,
      askedBecause: [{ source: 'ground == "wet"', reads: ['ground: not answered'] }],
    });
    open.add([entryOn(open, 'ground', 'answer', 'wet')]);
    expect(explain(plan, open.state, 'depth')).toMatchObject({
      asked: true,
      required: true,
      askedBecause: [{ reads: ['ground: Wet'] }],
      requiredBecause: [{ source: 'ground == "wet"' }],
    });
    expect(explain(plan, open.state, 'ground')).toMatchObject({ asked: true, askedBecause: [] });
    expect(explain(plan, open.state, 'nothing')).toBeNull();
  });

  test('is told of rows by the first one, once there is one', () => {
    const open = new OpenSheet(plan);
    open.add([entryOn(open, 'ground', 'answer', 'wet')]);
    expect(explain(plan, open.state, 'note')?.asked).toBe(false);
    open.add([entryOn(open, 'poles/p1', 'answer', { order: 1, name: 'Pole 1' })]);
    expect(explain(plan, open.state, 'note')?.asked).toBe(true);
  });
});

test.each(QUESTION_KINDS)('a sample of the kind %s, where there is one, is an answer', (kind) => {
  const question = questionOf(kind);
  const plan = planSheet(sheet(question));
  const open = new OpenSheet(plan);
  const sample = sampleAnswer(questionAtPath(open.state, question.key)!);
  if (!sample) return;
  const entry = entryOn(open, sample.path, 'answer', sample.value);
  expect(problemWithEntry(plan, entry)).toBeNull();
  open.add([entry]);
  const after = questionAtPath(open.state, question.key);
  expect((after?.tally.answered ?? 0) + (after?.rows.length ?? 0)).toBeGreaterThan(0);
});
