import type { ExpectedRange } from '../measure/index.ts';
import type { VibrationClass } from '../measure/index.ts';
import type { Severity } from './severity.ts';

/** What a job sheet is made from, as published; frozen once it has a version number. */
export interface TemplateBody {
  readonly title: string;
  readonly sections: readonly Section[];
}

export interface Section {
  readonly id: string;
  readonly title: string;
  readonly questions: readonly Question[];
}

/** What is asked for, and found, when the answer is not as it should be. */
export interface WhenAmiss {
  readonly reason?: boolean;
  readonly photo?: boolean;
  readonly severity?: Severity;
  /** The corrective action the template proposes. */
  readonly action?: string;
}

interface QuestionBase {
  /** Stays the same over versions, so that readings line up; also its name in expressions. */
  readonly key: string;
  readonly label: string;
  readonly help?: string;
  readonly required: boolean;
  /** A CEL expression over other questions' keys; without one the question is always asked. */
  readonly visibleWhen?: string;
  readonly whenAmiss?: WhenAmiss;
}

export interface Option {
  readonly key: string;
  readonly label: string;
  readonly severity?: Severity;
}

export interface YesNoQuestion extends QuestionBase {
  readonly kind: 'yesNo';
}
export interface ChoiceQuestion extends QuestionBase {
  readonly kind: 'choice';
  readonly options: readonly Option[];
}
export interface ChoicesQuestion extends QuestionBase {
  readonly kind: 'choices';
  readonly options: readonly Option[];
}
export interface NumberQuestion extends QuestionBase {
  readonly kind: 'number';
  /** UCUM code; "1" for a bare number. */
  readonly unit: string;
  readonly expected?: ExpectedRange;
  readonly decimals?: number;
  /** Judges the reading by the zones of ISO 10816-1 as well; the unit is then mm/s. */
  readonly vibrationClass?: VibrationClass;
}
export interface TextQuestion extends QuestionBase {
  readonly kind: 'text';
}
export interface DateQuestion extends QuestionBase {
  readonly kind: 'date';
}
export interface PhotoQuestion extends QuestionBase {
  readonly kind: 'photo';
}
export interface SignatureQuestion extends QuestionBase {
  readonly kind: 'signature';
}
export interface AcknowledgeQuestion extends QuestionBase {
  readonly kind: 'acknowledge';
}

export type Question =
  | YesNoQuestion
  | ChoiceQuestion
  | ChoicesQuestion
  | NumberQuestion
  | TextQuestion
  | DateQuestion
  | PhotoQuestion
  | SignatureQuestion
  | AcknowledgeQuestion;

export type QuestionKind = Question['kind'];

/** A published version of a template. */
export interface TemplateVersion {
  readonly id: string;
  readonly template: string;
  readonly number: number;
  readonly publishedAt: string;
  readonly body: TemplateBody;
}

export const questionsOf = (body: TemplateBody): Question[] =>
  body.sections.flatMap((section) => section.questions);
