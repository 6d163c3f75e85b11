import {
  answersForNewRow,
  isAsked,
  type QuestionState,
  type RowState,
} from '@ant-trail/core/sheet';
import { CIRCUITS, SHARED_BY_CIRCUITS, shortWay } from '@ant-trail/core/trades/electrical/keys';
import type { MarkName } from '@/design/mark.tsx';
import type { Said } from '../part.ts';

/** Where values are entered: the board itself, or one of its ways. */
export interface Place {
  readonly path: string;
  readonly name: string;
  readonly isBoard: boolean;
  /** What is asked there, without further rows. */
  readonly questions: readonly QuestionState[];
}

/** A value at a place. */
export interface At {
  readonly place: string;
  readonly key: string;
}

export const circuitsOf = (board: RowState): QuestionState | undefined =>
  board.questions.find(({ question }) => question.key === CIRCUITS);

const placeOf = ({ path, name, questions }: RowState, isBoard: boolean): Place => ({
  ...{ path, isBoard, name: isBoard ? name : shortWay(name) },
  questions: questions.filter(({ question }) => question.kind !== 'rows'),
});

/** The board, and its ways in order. */
export const placesOf = (board: RowState): readonly Place[] => [
  placeOf(board, true),
  ...(circuitsOf(board)?.rows ?? []).map((row) => placeOf(row, false)),
];

export const questionIn = (place: Place | undefined, key: string): QuestionState | undefined =>
  place?.questions.find(({ question }) => question.key === key);

export const isSpare = (place: Place): boolean =>
  questionIn(place, 'use')?.answer?.value === 'spare';

/** Whether what is said there must not be so. */
export const isBeyond = ({ alert, findings }: QuestionState): boolean =>
  alert !== null || (findings[0]?.severity ?? 0) >= 2;

/** Why what is said there may be wrong, though no limit is passed. */
export const doubtIn = ({ messages }: QuestionState): string | undefined =>
  messages.find(({ tone }) => tone === 'warning')?.words;

/** How a place stands: beyond a limit, done, begun, or not begun. */
export function standingOf(place: Place): MarkName {
  if (place.questions.some(({ disagreement }) => disagreement.length > 1)) return 'differs';
  if (place.questions.some(isBeyond)) return 'needs eyes';
  const said = place.questions.filter(({ answer, closedOut }) => answer ?? closedOut);
  if (said.length === 0) return 'planned';
  return place.questions.every(({ looseEnds }) => looseEnds.length === 0)
    ? 'finished'
    : 'under way';
}

/** Whether something has to be said there and is not yet. */
const isOpen = ({ question, required, answer, closedOut }: QuestionState): boolean =>
  isAsked(question) && required && answer === null && closedOut === null;

/** The value to begin with at a place: the first that is open, else the first of all. */
export const firstAt = (place: Place): At | null => {
  const asked = place.questions.filter(({ question }) => isAsked(question));
  const first = asked.find(isOpen) ?? asked[0];
  return first ? { place: place.path, key: first.question.key } : null;
};

/** What comes after a value: the next open one here, those before it last; then the next place. */
export function onward(places: readonly Place[], at: At): At | null {
  const index = places.findIndex(({ path }) => path === at.place);
  const place = places[index];
  if (!place) return null;
  const from = place.questions.findIndex(({ question }) => question.key === at.key);
  const round = [
    ...place.questions.slice(from + 1),
    ...place.questions.slice(0, Math.max(from, 0)),
  ];
  const next = round.find(isOpen);
  if (next) return { place: place.path, key: next.question.key };
  return nextPlace(places, at);
}

/** The next place, at its first open value; null after the last. */
export function nextPlace(places: readonly Place[], at: At): At | null {
  const next = places[places.findIndex(({ path }) => path === at.place) + 1];
  return next ? firstAt(next) : null;
}

/** The value before or after in the same place, answered or not. */
export function beside(places: readonly Place[], at: At, step: -1 | 1): At | null {
  const place = places.find(({ path }) => path === at.place);
  const asked = place?.questions.filter(({ question }) => isAsked(question)) ?? [];
  const next = asked[asked.findIndex(({ question }) => question.key === at.key) + step];
  return place && next ? { place: place.path, key: next.question.key } : null;
}

/** The same value in the nearest way above that has it. */
export function above(places: readonly Place[], at: At): QuestionState | null {
  const index = places.findIndex(({ path }) => path === at.place);
  for (let i = index - 1; i > 0; i--) {
    const state = questionIn(places[i], at.key);
    if (state?.answer) return state;
  }
  return null;
}

/** The nearest way above that says what kind of circuit it is, where this one does not yet. */
export function modelFor(places: readonly Place[], place: Place): Place | null {
  const shared = (each: Place): boolean =>
    SHARED_BY_CIRCUITS.some((key) => questionIn(each, key)?.answer);
  if (place.isBoard || shared(place)) return null;
  const before = places.slice(1, places.indexOf(place));
  return before.findLast((each) => shared(each) && !isSpare(each)) ?? null;
}

/** What a way takes over from another like it. */
export const likeIn = ({ questions }: Place, path: string): Said[] =>
  answersForNewRow(
    { questions: questions.filter(({ question }) => SHARED_BY_CIRCUITS.includes(question.key)) },
    path,
  );
