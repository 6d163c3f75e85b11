import fc from 'fast-check';
import { rowPath, type AnswerValue, type Entry, type EntryKind } from '../src/log/index.ts';
import {
  fold,
  OpenSheet,
  planSheet,
  problemWithEntry,
  QUESTION_KINDS,
  questionAtPath,
  summarise,
  type SheetState,
} from '../src/sheet/index.ts';
import { newQuestion } from '../src/templates/index.ts';
import { EMPTY } from './every-kind.ts';
import { entryOn, histories, PLAN } from './support.ts';

const standsAt = (state: SheetState, path: string): AnswerValue | undefined =>
  questionAtPath(state, path)?.answer?.value;

/** Two logs that part after the same beginning, and come together again. */
function apart(
  before: readonly [EntryKind, AnswerValue | null][],
  here: readonly [EntryKind, AnswerValue | null][],
  there: readonly [EntryKind, AnswerValue | null][],
): SheetState {
  const start = new OpenSheet(PLAN);
  const write = (open: OpenSheet, said: typeof before): Entry[] =>
    said.map(([kind, value]) => {
      const entry = entryOn(open, 'free', kind, value);
      open.add([entry]);
      return entry;
    });
  const known = write(start, before);
  const [one, two] = [here, there].map((said) => {
    const open = new OpenSheet(PLAN);
    open.add(known);
    return write(open, said);
  });
  return fold(PLAN, [...known, ...(one ?? []), ...(two ?? [])]);
}

describe('what the office prepared', () => {
  test('stands until somebody says something else, and begins nothing', () => {
    const state = apart([['prepare', 'yes']], [], []);
    expect(standsAt(state, 'free')).toBe('yes');
    expect(state.stage).toBe('untouched');
    expect(summarise(state).answered).toBe(1);
    const changed = apart([['prepare', 'yes']], [['answer', 'no']], []);
    expect(standsAt(changed, 'free')).toBe('no');
    expect(changed.stage).toBe('under way');
  });

  test.each<[string, AnswerValue | null, EntryKind]>([
    ['an answer', 'no', 'answer'],
    ['an answer taken away', null, 'clear'],
    ['a correction', 'na', 'correct'],
  ])('gives way, in whatever order they come, to %s that did not see it', (_, value, kind) => {
    for (const [here, there] of [
      [[kind, value] as const, ['prepare', 'yes'] as const],
      [['prepare', 'yes'] as const, [kind, value] as const],
    ] as const) {
      const state = apart([], [[...here]], [[...there]]);
      expect(standsAt(state, 'free') ?? null).toBe(value);
      expect(questionAtPath(state, 'free')?.disagreement).toEqual([]);
    }
  });

  test('is taken back by the office, and differs where two of them say different things', () => {
    expect(
      standsAt(
        apart(
          [
            ['prepare', 'yes'],
            ['prepare', null],
          ],
          [],
          [],
        ),
        'free',
      ),
    ).toBeUndefined();
    const two = apart([], [['prepare', 'yes']], [['prepare', 'no']]);
    expect(questionAtPath(two, 'free')?.disagreement).toHaveLength(2);
  });

  test('never stands over an answer nobody has seen, whatever happens on five devices', () => {
    fc.assert(
      fc.property(histories, (entries) => {
        const open = new OpenSheet(PLAN);
        const state = open.add(entries);
        for (const path of ['free', 'look']) {
          const heads = new Set(open.headsOf(path));
          const standing = entries.filter(({ id }) => heads.has(id));
          const said = standing.filter(({ kind }) => kind !== 'prepare');
          const answer = questionAtPath(state, path)?.answer;
          if (said.length > 0 && answer) expect(answer.entry.kind).not.toBe('prepare');
        }
        expect(state.stage === 'untouched').toBe(entries.every(({ kind }) => kind === 'prepare'));
      }),
    );
  });

  test('puts rows there and takes them back', () => {
    const plan = planSheet({
      title: 'Rows',
      sections: [
        {
          id: 'a',
          title: 'A',
          questions: [
            {
              kind: 'rows',
              key: 'wells',
              label: 'Wells',
              required: false,
              each: 'well',
              questions: [{ kind: 'text', key: 'name', label: 'Name', required: true }],
            },
          ],
        },
      ],
    });
    const open = new OpenSheet(plan);
    const path = rowPath('wells', 'r1');
    const row = { order: 1, name: 'North well' };
    let state = open.add([entryOn(open, path, 'prepare', row)]);
    expect(questionAtPath(state, 'wells')?.rows.map(({ name }) => name)).toEqual(['North well']);
    state = open.add([entryOn(open, 'wells/r1/name', 'prepare', 'N1')]);
    expect(standsAt(state, 'wells/r1/name')).toBe('N1');
    expect(state.stage).toBe('untouched');
    const back = entryOn(open, path, 'prepare', null);
    const unaware = entryOn(open, 'wells/r1/name', 'answer', 'N2');
    state = open.add([back]);
    expect(questionAtPath(state, 'wells')?.rows).toEqual([]);
    // Whoever wrote in the row meanwhile did not know that it was taken back.
    state = open.add([unaware]);
    expect(questionAtPath(state, 'wells')?.rows.map(({ removal }) => removal?.id)).toEqual([
      back.id,
    ]);
    expect(standsAt(state, 'wells/r1/name')).toBe('N2');
  });

  test('is refused for what belongs to whoever is there', () => {
    const refused = QUESTION_KINDS.filter((kind) => {
      const question = newQuestion(kind, EMPTY);
      const asks = { kind: 'text', key: 'what', label: 'What', required: true } as const;
      const plan = planSheet({
        title: 'One',
        sections: [
          {
            id: 'a',
            title: 'A',
            questions: [question.kind === 'rows' ? { ...question, questions: [asks] } : question],
          },
        ],
      });
      const entry = entryOn(new OpenSheet(plan), question.key, 'prepare', null);
      const words = problemWithEntry(plan, entry);
      return words?.includes('whoever is there');
    });
    expect(refused.sort()).toEqual(
      [
        ...['acknowledge', 'calculated', 'choice', 'choices', 'hold', 'instrument', 'number'],
        ...['percentage', 'performed', 'signature', 'yesNo'],
      ].sort(),
    );
    const photo = entryOn(new OpenSheet(PLAN), 'view~photo~p1', 'prepare', null);
    expect(problemWithEntry(PLAN, photo)).toMatch(/only answers and rows/);
    expect(problemWithEntry(PLAN, { ...photo, path: '~cover' })).toMatch(/Only answers and rows/);
  });
});
