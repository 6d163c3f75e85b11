import type { AnswerValue } from '../../log/index.ts';
import type { ExpectedRange } from '../../measure/index.ts';
import type { Severity } from '../severity.ts';
import type { Question } from '../template.ts';
import { isOffScale } from './off-scale.ts';

/** How a face writes days; times of day stay as they are. */
export type SayDay = (day: string) => string;

/** How an answer is compared when sheets are looked for by it. */
export type SoughtBy = 'number' | 'one of' | 'day' | 'words';

/** What the sheet has to know of a kind of question; everything else treats kinds alike. */
export interface KindRules<Q extends Question = Question> {
  /** What it is in an expression; null: nothing can be computed with it. */
  readonly celType: string | null;
  /** How its answers are kept: as one value, as items with a path each, or not at all. */
  readonly keeps: 'value' | 'photos' | 'files' | 'rows' | 'nothing';
  /** Says why a value can't answer a question, in words for the person; null when it can. */
  readonly problem: (question: Q, value: unknown) => string | null;
  /** The answer as people read it, with its unit. */
  readonly say: (
    question: Q,
    value: AnswerValue,
    unit?: string,
    /** What is expected of it now, in the question's unit: it never seems to lie on the other side. */
    expected?: ExpectedRange | null,
    sayDay?: SayDay,
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
  /** The answers it offers, where one of them is chosen. */
  readonly offers?: (question: Q) => readonly OfferedAnswer[];
  /** What words typed at a desk mean as an answer; left out where it is never typed. */
  readonly readTyped?: (question: Q, text: string) => ReadAnswer;
  /** Units (UCUM) its values may be given in; values of other kinds have none. */
  readonly units?: (question: Q) => readonly string[];
  /** By what sheets are found among many: left out where nobody would look for them by it. */
  readonly sought?: SoughtBy;
  /** Can it be other than it should be, so that a template says what follows then? */
  readonly judged?: true;
  /** Says whether something is so: left open it is not that there is nothing to say. */
  readonly saysWhether?: true;
  /** Does a reviewer always look at it, however usual it is? */
  readonly alwaysSeen?: true;
  /** May a photo be added to it without being asked for? */
  readonly takesPhotos?: true;
  /** Belongs to one visit: no other sheet may begin with it. */
  readonly ofOneVisit?: true;
  /** Is it asked for again where it is wrong? The office corrects it in nobody's name. */
  readonly neverCorrected?: true;
  /** What a new question of the kind begins with, beside what all questions have. */
  readonly begins?: Partial<Q>;
  /** Says what a question lacks to make sense, the words after its label; null when nothing. */
  readonly lacks?: (question: Q) => string | null;
  /** How many items or signs an expression may find in it; {@link ORDINARY_SIZE} when left out. */
  readonly largest?: (question: Q) => number;
  /** An answer as if given, for what nobody can give without a phone in the hand. */
  readonly sample?: (question: Q, at: SampleAt) => SampleAnswer | null;
}

export interface OfferedAnswer {
  readonly value: string;
  readonly label: string;
}

export type ReadAnswer = { readonly value: AnswerValue } | { readonly problem: string };

/** Where a sample is wanted: the path of the question, and how many rows it has by now. */
export interface SampleAt {
  readonly path: string;
  readonly rows: number;
}

export interface SampleAnswer {
  readonly path: string;
  readonly value: AnswerValue;
}

/** Names what is a sample in the paths and values of samples. */
export const SAMPLE = 'sample';

/** Items or signs that an expression expects of an answer, unless its kind says otherwise. */
export const ORDINARY_SIZE = 100;

/** Two of these are the same. */
export const twice = (keys: readonly string[]): boolean => new Set(keys).size < keys.length;

/** Typed words are taken as they are. */
export const asTyped = (_: unknown, text: string): ReadAnswer => ({ value: text });

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

/** The number an answer stands for, typed, measured or the end of the scale it lies beyond; null when it is none. */
export function numberOf(value: AnswerValue): number | null {
  if (typeof value === 'number') return value;
  if (isOffScale(value)) return value.limit;
  return typeof value === 'object' && 'reading' in value ? value.reading : null;
}
