import fc from 'fast-check';
import { readShortCode, shortCode } from '../src/codes/index.ts';
import type { Entry, HoldValue } from '../src/log/index.ts';
import {
  askedCode,
  fold,
  givenCode,
  givenFits,
  isVouchedFor,
  planSheet,
  problemWithEntry,
  questionAtPath,
  readGiven,
  type Question,
  type QuestionKind,
  type TemplateBody,
} from '../src/sheet/index.ts';

const ask = (kind: QuestionKind, key: string, more: Partial<Question> = {}): Question =>
  ({ kind, key, label: key, required: false, ...more }) as Question;

let turn = 0;
const entry = (over: Partial<Entry>): Entry => ({
  id: `017f22e2-79b0-7000-8000-${(++turn).toString(16).padStart(12, '0')}`,
  sheet: 's',
  path: 'work',
  kind: 'answer',
  value: null,
  seen: [],
  by: 'ada',
  device: 'phone',
  at: '2024-05-06T07:08:09Z',
  prev: null,
  ...over,
});

const LENGTH = 10;
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const code = fc
  .uint8Array({ minLength: 12, maxLength: 12 })
  .map((bytes) => shortCode(bytes, LENGTH));

describe('a short code', () => {
  test('is read however it is typed', () => {
    fc.assert(
      fc.property(code, (made) => {
        const typed = `${made.slice(0, 4).toLowerCase()} ${made.slice(4, 7)}-${made.slice(7)} `;
        expect(readShortCode(typed.replace('0', 'o').replace('1', 'l'), LENGTH)).toBe(made);
      }),
    );
  });

  test('with one sign wrong, or two neighbours swapped, is never taken', () => {
    fc.assert(
      fc.property(code, fc.nat(LENGTH - 1), fc.nat(31), (made, at, sign) => {
        const wrong = made.slice(0, at) + SIGNS[sign] + made.slice(at + 1);
        expect(readShortCode(wrong, LENGTH)).toBe(wrong === made ? made : null);
        const swapped =
          made.slice(0, at) + (made[at + 1] ?? '') + (made[at] ?? '') + made.slice(at + 2);
        expect(readShortCode(swapped, LENGTH)).toBe(swapped === made ? made : null);
      }),
      { numRuns: 2000 },
    );
  });

  test('of another length, or with signs it does not have, is none', () => {
    expect(readShortCode('', LENGTH)).toBeNull();
    expect(readShortCode('U'.repeat(LENGTH), LENGTH)).toBeNull();
    expect(() => shortCode(new Uint8Array(2), LENGTH)).toThrow(RangeError);
  });
});

const BODY: TemplateBody = {
  title: 'Joint',
  sections: [
    {
      id: 'one',
      title: 'One',
      questions: [
        ask('text', 'work'),
        ask('hold', 'check', { required: true }),
        ask('text', 'next', { visibleWhen: 'check == "passed"' }),
      ],
    },
  ],
};
const PLAN = planSheet(BODY);
const KEY = '5b'.repeat(32);
const hold = (over: Partial<HoldValue>): HoldValue => ({
  verdict: 'passed',
  name: 'Bo',
  person: 'bo',
  strokes: [],
  ...over,
});
const answer = (value: HoldValue, over: Partial<Entry> = {}): Entry =>
  entry({ path: 'check', value, by: 'ada', ...over });

/** What somebody with this key answers to what is asked of them. */
const given = (asked: string, verdict: HoldValue['verdict'] = 'passed', key = KEY): string =>
  givenCode(key, asked, verdict) ?? '';

describe('the code a second person gives back', () => {
  const seen = ['e1', 'e2'];
  const asked = askedCode({ sheet: 'sheet', path: 'check', person: 'bo', seen });

  test('tells its verdict and fits the step, the person and what stood there before', () => {
    const proof = given(asked);
    expect(readGiven(proof.toLowerCase())).toEqual({ verdict: 'passed', code: proof });
    expect(readGiven(given(asked, 'refused'))?.verdict).toBe('refused');
    const kept = answer(hold({ proof }), { sheet: 'sheet', seen: ['e2', 'e1'] });
    const fits = (over: Partial<Entry>, value: Partial<HoldValue> = {}, key = KEY): boolean =>
      givenFits(key, { ...kept, ...over }, hold({ proof, ...value }));
    expect(fits({})).toBe(true);
    expect(fits({ path: 'beds/b1/check' })).toBe(false);
    expect(fits({ sheet: 'other' })).toBe(false);
    expect(fits({ seen: ['e1'] })).toBe(false);
    expect(fits({}, { person: 'cy' })).toBe(false);
    expect(fits({}, { verdict: 'refused' })).toBe(false);
    expect(fits({}, {}, 'a7'.repeat(32))).toBe(false);
  });

  test('is not made for something that was mistyped', () => {
    expect(
      givenCode(KEY, `${asked.slice(0, -1)}${asked.endsWith('0') ? '1' : '0'}`, 'passed'),
    ).toBeNull();
    expect(readGiven(asked.startsWith('P') || asked.startsWith('R') ? 'x' : asked)).toBeNull();
  });

  test('is that of another implementation of HMAC-SHA256', async () => {
    const { createHmac } = await import('node:crypto');
    const mac = createHmac('sha256', Buffer.from(KEY, 'hex')).update(`passed:${asked}`).digest();
    expect(given(asked).slice(1, -1)).toBe(shortCode(mac, 9).slice(0, -1));
  });
});

describe('a hold point', () => {
  const work = entry({ path: 'work', value: 'done', by: 'ada' });
  const at = (...entries: Entry[]) => {
    const state = fold(PLAN, [work, ...entries]);
    return {
      loose: state.looseEnds.map(({ missing }) => missing),
      goesOn: questionAtPath(state, 'next')?.visible === true,
    };
  };

  test('counts by the own sign-in of whoever passes it, or by their code', () => {
    expect(at(answer(hold({}), { by: 'bo' }))).toEqual({ loose: [], goesOn: true });
    expect(at(answer(hold({ proof: 'P' })))).toEqual({ loose: [], goesOn: true });
  });

  test('does not count by a name and a signature on the phone of whoever did the work', () => {
    const strokes = [
      [
        [0, 0],
        [1, 1],
      ],
    ] as const;
    expect(at(answer(hold({ strokes })))).toEqual({ loose: ['proof'], goesOn: false });
    expect(at(answer(hold({ person: '', strokes })))).toEqual({ loose: ['proof'], goesOn: false });
    expect(at(answer(hold({ person: 'ada', proof: 'P' }), { by: 'ada' }))).toEqual({
      loose: ['second person'],
      goesOn: false,
    });
  });

  test('is passed by somebody from outside where the template says so, with a signature', () => {
    const question = { ...ask('hold', 'check'), outside: true };
    const signed = hold({
      person: '',
      strokes: [
        [
          [0, 0],
          [1, 1],
        ],
      ],
    });
    expect(isVouchedFor(question, answer(signed))).toBe(true);
    expect(problemWithEntry(PLAN, answer(signed))).toBeNull();
    expect(problemWithEntry(PLAN, answer(hold({ person: '' })))).toMatch(/from outside signs/);
  });

  test('stops counting when whoever passed it works on the sheet', () => {
    const passed = answer(hold({}), { by: 'bo' });
    const later = entry({ path: 'next', value: 'mine', by: 'bo' });
    expect(at(passed, later)).toEqual({ loose: ['second person'], goesOn: false });
  });
});
