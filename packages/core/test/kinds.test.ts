import type { AnswerValue, Entry, SignatureValue } from '../src/log/index.ts';
import { answerTable } from '../src/exchange/index.ts';
import {
  answersToCarry,
  blanksIn,
  byPath,
  isCarried,
  isSaid,
  KINDS,
  offeredFor,
  OpenSheet,
  planSheet,
  problemWithAnswer,
  problemWithEntry,
  QUESTION_KINDS,
  questionAtPath,
  sayAnswer,
  sayState,
} from '../src/sheet/index.ts';
import { CASES, EMPTY, questionOf } from './every-kind.ts';

let turn = 0;
const entry = (
  open: OpenSheet,
  path: string,
  value: AnswerValue,
  kind: Entry['kind'] = 'answer',
  unit?: string,
): Entry => ({
  id: `017f22e2-79b0-7000-a000-${(++turn).toString(16).padStart(12, '0')}`,
  sheet: 's',
  path,
  kind,
  value,
  ...(unit === undefined ? {} : { unit }),
  ...(kind === 'correct' ? { reason: 'misread' } : {}),
  seen: open.headsOf(path),
  by: 'p',
  device: 'd',
  at: '2022-02-22T19:22:22Z',
  prev: null,
});

describe.each(QUESTION_KINDS)('a question of the kind %s', (kind) => {
  const { good, bad, reads, cell, path: pathFor, unit } = CASES[kind];
  const question = questionOf(kind);
  const plan = planSheet({ ...EMPTY, sections: [{ id: 's', title: 'S', questions: [question] }] });
  const path = pathFor?.(question.key) ?? question.key;
  const said = (open: OpenSheet): string => {
    const state = questionAtPath(open.state, question.key);
    return state ? sayState(state, (day) => `day ${day}`) : '';
  };

  test('takes its answer, reads as it should, and refuses what can’t be one', () => {
    const open = new OpenSheet(plan);
    if (good !== null) {
      const made = entry(open, path, good, 'answer', unit);
      expect(problemWithEntry(plan, made)).toBeNull();
      open.add([made]);
    }
    expect(said(open)).toBe(reads);
    expect(problemWithEntry(plan, entry(open, path, bad, 'answer', unit))).toMatch(/^Asked: /);
  });

  test('is exported as people read it, and as machines do', () => {
    const open = new OpenSheet(plan);
    if (good !== null) open.add([entry(open, path, good, 'answer', unit)]);
    const [titles = [], line = []] = answerTable(open.state, () => 'Ada');
    const at = (title: string): unknown => line[titles.indexOf(title)];
    expect(at('Answer')).toBe(reads.replace('day ', ''));
    expect(at('Value')).toBe(cell);
    expect(at('Kind')).toBe(kind);
    if (KINDS[kind].keeps === 'photos' || KINDS[kind].keeps === 'files')
      expect(at('Evidence')).toBe('a'.repeat(64));
  });

  test('is offered at the next visit only where its kind or the template says so', () => {
    for (const carries of [undefined, true, false] as const) {
      const asked = { ...question, ...(carries === undefined ? {} : { carries }) };
      const body = { ...EMPTY, sections: [{ id: 's', title: 'S', questions: [asked] }] };
      const [before, now] = [new OpenSheet(planSheet(body)), new OpenSheet(planSheet(body))];
      if (good !== null) before.add([entry(before, path, good, 'answer', unit)]);
      const carried = answersToCarry(before.state, body);
      const [state] = now.state.sections[0]?.questions ?? [];
      const offered = state ? offeredFor(state, byPath(carried)) : [];
      const keeps = KINDS[kind].keeps;
      const can = good !== null && (keeps === 'value' || keeps === 'rows');
      expect(offered.length > 0).toBe(can && isCarried(asked));
      if (carries !== undefined) expect(isCarried(asked)).toBe(carries);
    }
  });

  test('is corrected with the first answer kept in its history', () => {
    if (good === null) return;
    const open = new OpenSheet(plan);
    open.add([entry(open, path, good, 'answer', unit)]);
    const correction = entry(open, path, good, 'correct', unit);
    if (kind === 'signature' || kind === 'hold') {
      expect(problemWithEntry(plan, correction)).toMatch(/asked for again/);
      return;
    }
    expect(problemWithEntry(plan, correction)).toBeNull();
    open.add([correction]);
    expect(said(open)).toBe(reads);
    expect(open.state.disagreements).toEqual([]);
    if (KINDS[kind].keeps !== 'rows')
      expect(questionAtPath(open.state, question.key)?.history).toHaveLength(2);
  });

  test('is closed out when it is blank, where its kind allows', () => {
    const open = new OpenSheet(plan);
    const [section] = open.state.sections;
    const blanks = blanksIn(section?.questions ?? []);
    expect(blanks).toEqual(KINDS[kind].mayCloseOut ? [question.key] : []);
    open.add([entry(open, '~blanks~b', { closed: [question.key] })]);
    const state = questionAtPath(open.state, question.key);
    expect(state?.closedOut !== null).toBe(KINDS[kind].mayCloseOut);
    if (KINDS[kind].mayCloseOut) {
      expect(said(open)).toBe('Not applicable, closed out');
      expect(open.state.looseEnds).toEqual([]);
      expect(state && isSaid(state)).toBe(true);
    }
  });
});

test('a signature is drawn or given by typing the name, never both and never neither', () => {
  const question = questionOf('signature');
  const drawn = CASES.signature.good as SignatureValue;
  const typed: SignatureValue = { name: 'Ada', strokes: [], typed: true };
  expect(problemWithAnswer(question, typed)).toBeNull();
  expect(sayAnswer(question, typed)).toBe('Signed by Ada, by typing the name');
  for (const wrong of [
    { ...typed, name: ' ' },
    { ...typed, strokes: drawn.strokes },
    { name: 'Ada', strokes: [] },
  ])
    expect(problemWithAnswer(question, wrong)).toMatch(/drawn or given by typing/);
});
