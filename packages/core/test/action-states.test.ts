import fc from 'fast-check';
import {
  ACTION_STATE_RULES,
  ACTION_STATES,
  isActionSettled,
  problemWithMove,
  type ActionMove,
} from '../src/actions/index.ts';

const move = (over: Partial<ActionMove>): ActionMove => ({
  ...{ state: 'open', to: 'done', note: '', isOwner: true, isOffice: false, isDoer: false },
  ...over,
});
const code = (over: Partial<ActionMove>): string | undefined => problemWithMove(move(over))?.code;

test.each([
  [{}, undefined],
  [{ isOwner: false }, 'not-yours'],
  [{ isOwner: false, isOffice: true }, undefined],
  [{ to: 'verified' }, 'not-now'],
  [{ to: 'dropped', note: 'sold' }, 'office-drops'],
  [{ to: 'dropped', isOffice: true }, 'say-why'],
  [{ to: 'dropped', isOffice: true, note: '  ' }, 'say-why'],
  [{ to: 'dropped', isOffice: true, note: 'sold' }, undefined],
  [{ state: 'done', to: 'verified' }, 'second-person'],
  [{ state: 'done', to: 'verified', isOffice: true, isDoer: true }, 'second-person'],
  [{ state: 'done', to: 'verified', isOffice: true }, undefined],
  [{ state: 'verified', to: 'open', isOffice: true }, 'not-now'],
] as const)('%j gives %s', (over, expected) => {
  expect(code(over)).toBe(expected);
});

test('from every state one comes to one that is settled, and a settled one asks for nothing', () => {
  for (const state of ACTION_STATES) {
    const reached = new Set([state]);
    for (const at of reached) for (const next of ACTION_STATE_RULES[at].next) reached.add(next);
    expect([...reached].some(isActionSettled)).toBe(true);
    expect(ACTION_STATE_RULES[state].settled && ACTION_STATE_RULES[state].toDo).toBe(false);
  }
});

test('nobody verifies what they did themselves, on whatever way', () => {
  const anything = fc.record({
    state: fc.constantFrom(...ACTION_STATES),
    note: fc.string(),
    isOwner: fc.boolean(),
    isOffice: fc.boolean(),
  });
  fc.assert(
    fc.property(anything, (over) => {
      expect(code({ ...over, to: 'verified', isDoer: true })).toBeDefined();
      expect(code({ ...over, to: 'verified', isOffice: false })).toBeDefined();
    }),
  );
});
