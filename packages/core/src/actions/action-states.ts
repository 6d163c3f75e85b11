export const ACTION_STATES = ['open', 'in hand', 'done', 'verified', 'dropped'] as const;
export type ActionState = (typeof ACTION_STATES)[number];

/** How a state is drawn; the marks themselves belong to the interface. */
export type ActionMark = 'planned' | 'under way' | 'finished' | 'approved' | 'returned';

/** Who may move an action there. The office is whoever may look after actions. */
export type WhoMoves = 'owner or office' | 'office' | 'office, not who did it';

export interface ActionStateRules {
  readonly mark: ActionMark;
  /** Somebody still has to do it. */
  readonly toDo: boolean;
  /** Nothing more is expected of it. */
  readonly settled: boolean;
  readonly next: readonly ActionState[];
  /** Who may bring it here, and whether they have to say why. */
  readonly by: WhoMoves;
  readonly why: boolean;
  /** What is pressed to bring it here. */
  readonly verb: string;
}

const open = { toDo: true, settled: false, by: 'owner or office', why: false } as const;

/** Every state of an action: how it is drawn, what may follow, and who may bring it there. */
export const ACTION_STATE_RULES: Readonly<Record<ActionState, ActionStateRules>> = {
  open: { ...open, mark: 'planned', next: ['in hand', 'done', 'dropped'], verb: 'Open again' },
  'in hand': {
    ...{ ...open, mark: 'under way', verb: 'Take in hand' },
    next: ['done', 'open', 'dropped'],
  },
  // It goes back in hand when it does not stand the check.
  done: {
    ...{ ...open, mark: 'finished', toDo: false, verb: 'It is done' },
    next: ['verified', 'in hand'],
  },
  verified: {
    ...{ mark: 'approved', toDo: false, settled: true, next: [], verb: 'Verify' },
    ...{ by: 'office, not who did it', why: false },
  },
  dropped: {
    ...{ mark: 'returned', toDo: false, settled: true, next: ['open'], verb: 'Drop' },
    ...{ by: 'office', why: true },
  },
};

export const nextActionStates = (state: ActionState): readonly ActionState[] =>
  ACTION_STATE_RULES[state].next;

export const isActionSettled = (state: ActionState): boolean => ACTION_STATE_RULES[state].settled;

/** An action as far as it matters for moving it, and who wants to. */
export interface ActionMove {
  readonly state: ActionState;
  readonly to: ActionState;
  readonly note: string;
  readonly isOwner: boolean;
  readonly isOffice: boolean;
  /** Whether whoever moves it said that it is done. */
  readonly isDoer: boolean;
}

export interface MoveProblem {
  readonly code: 'not-yours' | 'not-now' | 'office-drops' | 'second-person' | 'say-why';
  readonly words: string;
}

/** Why an action can't be moved so by this person; null where it can. */
export function problemWithMove(move: ActionMove): MoveProblem | null {
  const { state, to, isOwner, isOffice, isDoer } = move;
  const rules = ACTION_STATE_RULES[to];
  if (!isOwner && !isOffice)
    return { code: 'not-yours', words: 'Only its owner and the office move this action.' };
  if (!ACTION_STATE_RULES[state].next.includes(to))
    return {
      code: 'not-now',
      words: `An action that is ${state} can't become ${to}. Load it anew and look again.`,
    };
  if (rules.by === 'office' && !isOffice)
    return { code: 'office-drops', words: 'Only the office can drop an action. Ask them.' };
  if (rules.by === 'office, not who did it' && (!isOffice || isDoer))
    return {
      code: 'second-person',
      words: 'Somebody else than the person who did it has to verify it.',
    };
  if (rules.why && !move.note.trim())
    return { code: 'say-why', words: 'Say why the action is dropped.' };
  return null;
}
