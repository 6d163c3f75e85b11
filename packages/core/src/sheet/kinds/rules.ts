import type { AnswerValue } from '../../log/index.ts';
import type { ExpectedRange } from '../../measure/index.ts';
import type { Severity } from '../severity.ts';
import type { Question } from '../template.ts';

/** What the sheet has to know of a kind of question; everything else treats kinds alike. */
export interface KindRules<Q extends Question = Question> {
  /** What it is in an expression; null: nothing can be computed with it. */
  readonly celType: string | null;
  /** How its answers are kept: as one value, as items with a path each, or not at all. */
  readonly keeps: 'value' | 'photos' | 'files' | 'rows' | 'nothing';
  /** Says why a value can't answer a question, in words for the person; null when it can. */
  readonly problem: (question: Q, value: unknown) => string | null;
  /** The answer as people read it, with its unit. Dates stay days: the face writes them its way. */
  readonly say: (
    question: Q,
    value: AnswerValue,
    unit?: string,
    /** What is expected of it now, in the question's unit: it never seems to lie on the other side. */
    expected?: ExpectedRange | null,
  ) => string;
  /** The answer as an expression sees it; as it is kept when left out. */
  readonly expose?: (question: Q, value: AnswerValue, unit?: string) => unknown;
  /** How bad an answer is by itself; 0 when left out. */
  readonly severity?: (question: Q, value: AnswerValue) => Severity;
  /** Whether the answer counts as "not as it should be" whatever its severity. */
  readonly amiss?: (question: Q, value: AnswerValue) => boolean;
  /** Points reached and possible; null when the answer does not count. */
  readonly points?: (question: Q, value: AnswerValue) => PointsReached | null;
  /** Is its answer offered again at the next visit, where the template says nothing about it? */
  readonly carries: boolean | ((question: Q) => boolean);
  /** May it be left to "not applicable" in one go with others? */
  readonly mayCloseOut: boolean;
}

export interface PointsReached {
  readonly reached: number;
  readonly possible: number;
  readonly stops?: boolean;
}

const LONGEST_TEXT = 10_000;

/** Says why something is not a usable text; null when it is. */
export function problemWithText(value: unknown): string | null {
  if (typeof value !== 'string' || value.trim() === '') return 'Write a few words.';
  return value.length > LONGEST_TEXT ? `Keep it below ${LONGEST_TEXT} characters.` : null;
}

/** The words of a text, a day or a chosen key; empty for any other kind of value. */
export const textOf = (value: AnswerValue): string => (typeof value === 'string' ? value : '');

/** The number an answer stands for, typed or measured; null when it is none. */
export function numberOf(value: AnswerValue): number | null {
  if (typeof value === 'number') return value;
  return typeof value === 'object' && 'reading' in value ? value.reading : null;
}
