import {
  fillIn,
  fold,
  planSheet,
  prepareFor,
  problemsOf,
  sayOnly,
  toldBy,
  type FollowUp,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { followUpDay, isFollowed } from '../src/planning/index.ts';
import { promiseLines, promisesOf, sayKept } from '../src/trades/energy/index.ts';
import type { AnswerValue, Entry } from '../src/log/index.ts';

const RULE: FollowUp = {
  ...{ days: 7, title: '', template: null, when: 'always', person: 'the same' },
};
const ask = (kind: string, key: string, more: object = {}): Question =>
  ({ kind, key, label: key, required: false, ...more }) as unknown as Question;
const body = (questions: readonly Question[], more: Partial<TemplateBody> = {}): TemplateBody => ({
  ...{ title: 'T', sections: [{ id: 's', title: 'S', questions }] },
  ...more,
});
const WORD = ask('choice', 'word', {
  label: 'The household',
  options: [
    { key: 'accepts', label: 'Accepts' },
    { key: 'thinks', label: 'Thinks' },
  ],
});

const said = (made: TemplateBody, answers: readonly (readonly [string, AnswerValue, string?])[]) =>
  fold(
    planSheet(made),
    answers.map(([path, value, unit], index): Entry => ({
      id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
      ...(unit === undefined ? {} : { unit }),
      at: '2031-04-05T08:00:00.000Z',
    })),
  );

test('a job follows only where the answer is the one the rule names', () => {
  const only = { ...RULE, only: { question: 'word', answer: 'accepts' } };
  const word = (said: string) => ({ worst: 0, said: { word: said } }) as const;
  expect(isFollowed(only, word('accepts'))).toBe(true);
  expect(isFollowed(only, word('thinks'))).toBe(false);
  expect(isFollowed(only, { worst: 4, said: {} })).toBe(false);
  expect(isFollowed({ ...only, when: 'amiss' }, word('accepts'))).toBe(false);
  expect(isFollowed({ ...only, when: 'amiss' }, { ...word('accepts'), worst: 2 })).toBe(true);
  expect(isFollowed(RULE, word('thinks'))).toBe(true);
  expect(followUpDay(only, '2031-04-01', '2031-05-01')).toBe('2031-05-01');
});

test('its condition is said in words, and one that is not asked is refused', () => {
  const made = (only: FollowUp['only']): TemplateBody =>
    body([WORD, ask('rows', 'boards', { each: 'board', questions: [ask('yesNo', 'fine')] })], {
      followUp: { ...RULE, ...(only ? { only } : {}) },
    });
  const fits = made({ question: 'word', answer: 'accepts' });
  expect(problemsOf(fits)).toEqual([]);
  expect(sayOnly(fits, fits.followUp as FollowUp)).toBe('“The household” is “Accepts”');
  expect(sayOnly(fits, RULE)).toBeNull();
  for (const wrong of [
    { question: 'word', answer: 'never' },
    { question: 'gone', answer: 'accepts' },
    // Which of the boards would it be?
    { question: 'fine', answer: 'yes' },
  ])
    expect(problemsOf(made(wrong))).toHaveLength(1);
});

test('what is known goes over, judgements and readings do not', async () => {
  const before = body([
    WORD,
    ask('text', 'owner', { carries: true }),
    ask('text', 'colour', { carries: true }),
    ask('number', 'area', { unit: 'm2', carries: true }),
    ask('number', 'temp', { unit: 'Cel' }),
    ask('rows', 'boards', {
      ...{ each: 'board', carries: true },
      questions: [ask('text', 'make', { carries: true }), ask('yesNo', 'fine')],
    }),
  ]);
  await prepareFor(before);
  const state = said(before, [
    ['word', 'accepts'],
    ['owner', 'Ansa Fell'],
    ['colour', 'red'],
    ['area', 12, 'm2'],
    ['temp', 61, 'Cel'],
    ['boards/b1', { order: 1, name: 'Main board' }],
    ['boards/b1/make', 'Krag'],
    ['boards/b1/fine', 'no'],
  ]);
  const told = toldBy(state, before);
  expect(told.said).toEqual({ word: 'accepts' });
  expect(fillIn(told, () => 'r')).toEqual([
    { path: 'word', value: 'accepts' },
    { path: 'owner', value: 'Ansa Fell' },
    { path: 'colour', value: 'red' },
    { path: 'area', value: 12, unit: 'm2' },
    { path: 'boards/b1', value: { order: 1, name: 'Main board' } },
    { path: 'boards/b1/make', value: 'Krag' },
  ]);
});

test('a kit’s rows come each with its facts, and what a kit says stands above what is carried', () => {
  const told = {
    said: {},
    carried: [
      { path: 'volume', value: 200, unit: 'm3' },
      { path: 'owner', value: 'Ansa Fell' },
    ],
    facts: [{ key: 'volume', value: 240, unit: 'm3' }],
    rows: ['Loft', 'Wall'].map((name) => ({
      ...{ group: 'works', name },
      facts: [{ key: 'what', value: `wool in the ${name}` }],
    })),
  };
  let at = 0;
  expect(fillIn(told, () => `r${++at}`)).toEqual([
    { path: 'owner', value: 'Ansa Fell' },
    { path: 'volume', value: 240, unit: 'm3' },
    { path: 'works/r1', value: { order: 1, name: 'Loft' } },
    { path: 'works/r1/what', value: 'wool in the Loft' },
    { path: 'works/r2', value: { order: 2, name: 'Wall' } },
    { path: 'works/r2/what', value: 'wool in the Wall' },
  ]);
});

test('what was agreed is kept within a tenth; what was not measured is not judged', () => {
  const agreed = { changes_before: 8, changes_agreed: 5, use_before: 30_000, use_agreed: 20_000 };
  expect(promisesOf(agreed)).toEqual([]);
  const found = (changes: number) =>
    promisesOf({ ...agreed, changes_found: changes }).map(({ isKept }) => isKept);
  expect(found(5.5)).toEqual([true]);
  expect(found(5.6)).toEqual([false]);
  expect(promisesOf({ ...agreed, changes_found: 4, use_found: 25_000 })).toMatchObject([
    { before: 8, agreed: 5, found: 4, isKept: true },
    { before: 30_000, agreed: 20_000, found: 25_000, isKept: false },
  ]);
  expect(promisesOf({ changes_agreed: 5, changes_found: 4 })).toMatchObject([{ before: null }]);
  const [use] = promisesOf({ ...agreed, use_found: 25_000 });
  expect(use && promiseLines(use)).toEqual([
    { of: 'Before', said: '30,000', share: 1 },
    { of: 'Agreed', said: '20,000', share: 20_000 / 30_000 },
    { of: 'Found', said: '25,000', share: 25_000 / 30_000 },
  ]);
  expect(use && sayKept(use)).toMatch(/^More than a tenth/);
});
