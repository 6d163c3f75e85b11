import { problemsOf, problemWithEntry, type Question } from '../src/sheet/index.ts';
import { OpenSheet } from '../src/sheet/index.ts';
import { entryOn, PLAN } from './support.ts';

const text = (key: string, visibleWhen?: string): Question => ({
  kind: 'text',
  key,
  label: key,
  required: false,
  ...(visibleWhen === undefined ? {} : { visibleWhen }),
});
const problems = (...questions: Question[]): string[] =>
  problemsOf({ title: 'T', sections: [{ id: 's', title: 'S', questions }] }).map((p) => p.message);

describe('a template can’t be published with', () => {
  test.each([
    ['an unknown name', [text('a', 'nobody == "x"')], /nobody/],
    ['a wrong type', [text('a'), text('b', 'a > 3.0')], /no such overload/],
    ['a condition that is no yes or no', [text('a'), text('b', 'a + "x"')], /yes or no/],
    ['broken writing', [text('a'), text('b', 'a ==')], /condition of “b”/],
    ['a key used twice', [text('a'), text('a')], /twice/],
    ['a key that can’t be one', [text('Big Key')], /small letters/],
    ['a key of the language', [text('loop')], /another key/],
    ['a key that names a type', [text('list')], /another key/],
    [
      'conditions in a circle',
      [text('a', 'b == "x"'), text('b', 'a == "x"')],
      /wait for each other/,
    ],
    ['no question', [], /asks nothing/],
  ])('%s', (_name, questions, message) => {
    expect(problems(...questions).join(' ')).toMatch(message);
  });

  test('and a sound one has no problem, whole numbers and all', () => {
    const number: Question = { kind: 'number', key: 'n', label: 'N', unit: 'Cel', required: true };
    expect(problems(number, text('a', 'n > 3 && n * 2 < 11.5 || n == 7'))).toEqual([]);
  });
});

describe('an entry is refused in words when', () => {
  const open = new OpenSheet(PLAN);
  test.each([
    ['its question is unknown', 'nowhere', 'answer', 'x', /no question/],
    ['a choice is not offered', 'look', 'answer', 'worse', /Choose one/],
    ['a number is text', 'temp', 'answer', '30', /Write a number/],
    ['a number is not finite', 'temp', 'answer', Number.NaN, /Write a number/],
    ['yes or no is something else', 'free', 'answer', 'maybe', /yes, no or not applicable/],
    ['a text is blank', 'why_bad', 'answer', '  ', /few words/],
    ['a correction has no reason', 'temp', 'correct', 30, /why the value is corrected/],
    ['a return has no word', '~stage', 'return', null, /looked at again/],
    ['a question is finished', 'temp', 'finish', null, /whole sheet/],
    ['the whole sheet is answered', '~stage', 'answer', 'x', /name its question/],
    ['a photo is something else', 'view~photo~1', 'answer', 'x', /photo is empty/],
  ] as const)('%s', (_name, path, kind, value, words) => {
    expect(problemWithEntry(PLAN, entryOn(open, path, kind, value))).toMatch(words);
  });

  test('its unit is not the question’s', () => {
    const entry = { ...entryOn(open, 'temp', 'answer', 86), unit: '[degF]' };
    expect(problemWithEntry(PLAN, entry)).toMatch(/Cel/);
  });

  test('never when it fits', () => {
    expect(problemWithEntry(PLAN, entryOn(open, 'temp', 'answer', 30))).toBeNull();
    expect(problemWithEntry(PLAN, entryOn(open, 'temp', 'clear', null))).toBeNull();
  });
});
