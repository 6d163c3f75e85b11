import type { Demands } from '../accounts/index.ts';
import type { ExpectedRange, VibrationClass } from '../measure/index.ts';
import type { LastAnswer } from './last-answer.ts';
import type { Severity } from './severity.ts';

/** What a job sheet is made from, as published; frozen once it has a version number. */
export interface TemplateBody {
  readonly title: string;
  readonly sections: readonly Section[];
  /** `led`: each section opens when those before it are complete. */
  readonly order?: 'free' | 'led';
  /** Key of the trade kit it is made with: its reckoning goes over the whole sheet. */
  readonly kit?: string;
  readonly score?: ScoreRules;
  readonly programmes?: readonly Programme[];
  readonly variants?: readonly Variant[];
  /** What it takes of whoever does the work: the office is warned when it gives the work to another. */
  readonly demands?: Demands;
  /** The job that follows one whose sheet is approved. */
  readonly followUp?: FollowUp;
  /** Whoever answers for the place has to sign before the work is finished. */
  readonly signedOnSite?: boolean;
}

export const FOLLOW_UP_WHEN = ['always', 'amiss'] as const;
export const FOLLOW_UP_WHO = ['the same', 'nobody yet'] as const;

/** What follows once a sheet is approved: counted from the day it was really finished. */
export interface FollowUp {
  /** Days after that day, 0 to 3,650. */
  readonly days: number;
  /** What the next job is called; empty for the title of its sheet. */
  readonly title: string;
  /** The template of its sheet; null for the same. */
  readonly template: string | null;
  /** `amiss`: only where something was found that is a fault or worse. */
  readonly when: (typeof FOLLOW_UP_WHEN)[number];
  readonly person: (typeof FOLLOW_UP_WHO)[number];
  /** Only where this question, outside rows, is answered so: by its key and one of the answers it offers. */
  readonly only?: { readonly question: string; readonly answer: string };
}

/** A client's rules for a sheet. Expressions know the one that applies as `programme`, by its key. */
export interface Programme {
  readonly key: string;
  readonly name: string;
  /** Keys of questions that must be answered under it. */
  readonly required: readonly string[];
  /** Keys of questions that are not asked under it. */
  readonly leftOut: readonly string[];
}

/** Answers a sheet may begin with, as for a small building. */
export interface Variant {
  readonly name: string;
  readonly answers: readonly LastAnswer[];
}

/** How points become a result. */
export interface ScoreRules {
  /** Degree of compliance below which improvement is called for, in percent. */
  readonly target: number;
  /** Grades by degree of compliance, best first. */
  readonly grades?: readonly { readonly from: number; readonly word: string }[];
  /** What a failed question that stops everything leaves at most, in percent. */
  readonly cap?: number;
}

export interface Section {
  readonly id: string;
  readonly title: string;
  readonly visibleWhen?: string;
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

/** Words that appear when something holds. */
export interface Message {
  readonly when: string;
  readonly words: string;
  readonly tone?: 'note' | 'warning';
}

/** A finding that an expression opens, whatever the answer's own severity. */
export interface FindingRule {
  readonly when: string;
  readonly severity: Severity;
  readonly words: string;
  readonly action?: string;
}

/** Something that must hold between answers, with the words for when it does not. */
export interface Check {
  readonly must: string;
  readonly words: string;
}

/** What every question has, and may have. All expressions are CEL over other questions' keys. */
export interface QuestionBase {
  /** Stays the same over versions, so that readings line up; also its name in expressions. */
  readonly key: string;
  readonly label: string;
  readonly help?: string;
  readonly required: boolean;
  /** Without one the question is always asked. */
  readonly visibleWhen?: string;
  readonly requiredWhen?: string;
  readonly reasonWhen?: string;
  readonly photoWhen?: string;
  readonly messages?: readonly Message[];
  readonly findings?: readonly FindingRule[];
  readonly checks?: readonly Check[];
  /** What is offered as an answer; the person takes it or not. */
  readonly suggest?: string;
  readonly whenAmiss?: WhenAmiss;
  /** The question this one follows from: it stands below it, indented. */
  readonly follows?: string;
  /** Whether its answer is offered at the next visit; where left out, its kind decides. */
  readonly carries?: boolean;
  /** Never answered by closing out blanks. */
  readonly neverBlank?: boolean;
  readonly points?: Points;
}

/** Points of a yes/no or performed question; options carry their own. */
export interface Points {
  readonly good: number;
  readonly bad?: number;
  /** A bad answer caps the whole result. */
  readonly stopsEverything?: boolean;
}

export interface Option {
  readonly key: string;
  readonly label: string;
  readonly severity?: Severity;
  readonly points?: number;
  readonly stopsEverything?: boolean;
}

/** What numbers have in common, typed or measured. */
interface Quantity {
  /** UCUM code; "1" for a bare number. */
  readonly unit: string;
  /** Other units it may be entered in. */
  readonly alsoIn?: readonly string[];
  readonly expected?: ExpectedRange;
  /** Ends of the expected range that depend on other answers; they win over fixed ones. */
  readonly lowFrom?: string;
  readonly highFrom?: string;
  readonly decimals?: number;
  /** A meter may only show that it is more, or less, than it can measure. */
  readonly offScale?: true;
  /** Judges the reading by the zones of ISO 10816-1 as well; the unit is then mm/s. */
  readonly vibrationClass?: VibrationClass;
}

interface Choosing {
  readonly options: readonly Option[];
  /** An answer of one's own may be written beside the options. */
  readonly somethingElse?: boolean;
}

export interface Part {
  readonly key: string;
  readonly label: string;
}

type Of<Kind extends string, More = unknown> = QuestionBase & { readonly kind: Kind } & More;

export type YesNoQuestion = Of<'yesNo'>;
export type ChoiceQuestion = Of<'choice', Choosing>;
export type ChoicesQuestion = Of<'choices', Choosing>;
export type PerformedQuestion = Of<'performed'>;
export type AcknowledgeQuestion = Of<'acknowledge'>;
export type NumberQuestion = Of<'number', Quantity>;
export type InstrumentQuestion = Of<'instrument', Quantity & { readonly instrument: string }>;
export type PercentageQuestion = Of<'percentage', { readonly expected?: ExpectedRange }>;
export type SharesQuestion = Of<'shares', { readonly parts: readonly Part[] }>;
export type TextQuestion = Of<'text'>;
export type PhoneQuestion = Of<'phone'>;
export type EmailQuestion = Of<'email'>;
export type DateQuestion = Of<'date'>;
export type TimeQuestion = Of<'time'>;
export type MomentQuestion = Of<'moment'>;
export type AddressQuestion = Of<'address'>;
export type CodeQuestion = Of<'code'>;
export type LookupQuestion = Of<
  'lookup',
  { readonly catalogue: string; readonly somethingElse?: boolean }
>;
export type PhotoQuestion = Of<'photo'>;
export type VideoQuestion = Of<'video', { readonly longest?: number }>;
export type VoiceQuestion = Of<'voice', { readonly longest?: number }>;
export type FileQuestion = Of<'file'>;
export type SignatureQuestion = Of<
  'signature',
  {
    /** What is read before it is signed; with its signature it is kept as a paper of its own. */
    readonly consent?: string;
  }
>;
/** `outside`: somebody from outside may pass it too, by signature alone. */
export type HoldQuestion = Of<'hold', { readonly outside?: boolean }>;
export type SketchQuestion = Of<'sketch', { readonly symbols?: readonly Part[] }>;
/** A value computed from other answers; nobody types it. */
export type CalculatedQuestion = Of<
  'calculated',
  {
    readonly formula: string;
    readonly unit: string;
    readonly decimals?: number;
    readonly expected?: ExpectedRange;
    readonly lowFrom?: string;
    readonly highFrom?: string;
    /** What the value is working towards. */
    readonly target?: number;
  }
>;
/** A part that repeats: the same questions for each board, window or bolt. */
export type RowsQuestion = Of<
  'rows',
  {
    /** One of them, as in "circuit". */
    readonly each: string;
    readonly questions: readonly Question[];
    /** Rows that are there from the start. */
    readonly starts?: readonly string[];
    /** The kind of asset each row stands for: rows come from the register, and go into it. */
    readonly of?: string;
    /** People may not add or remove rows. */
    readonly fixed?: boolean;
    readonly least?: number;
    readonly most?: number;
  }
>;

export type Question =
  | YesNoQuestion
  | ChoiceQuestion
  | ChoicesQuestion
  | PerformedQuestion
  | AcknowledgeQuestion
  | NumberQuestion
  | InstrumentQuestion
  | PercentageQuestion
  | SharesQuestion
  | TextQuestion
  | PhoneQuestion
  | EmailQuestion
  | DateQuestion
  | TimeQuestion
  | MomentQuestion
  | AddressQuestion
  | CodeQuestion
  | LookupQuestion
  | PhotoQuestion
  | VideoQuestion
  | VoiceQuestion
  | FileQuestion
  | SignatureQuestion
  | HoldQuestion
  | SketchQuestion
  | CalculatedQuestion
  | RowsQuestion;

export type QuestionKind = Question['kind'];
export type QuestionOf<Kind extends QuestionKind> = Extract<Question, { kind: Kind }>;

/** A question that is answered with a number that has a unit and a range. */
export type ReadingQuestion = NumberQuestion | InstrumentQuestion | CalculatedQuestion;

export const isReading = (question: Question): question is ReadingQuestion =>
  question.kind === 'number' || question.kind === 'instrument' || question.kind === 'calculated';

/** A published version of a template. */
export interface TemplateVersion {
  readonly id: string;
  readonly template: string;
  readonly number: number;
  readonly publishedAt: string;
  readonly body: TemplateBody;
}

/** Every question of a template, those in rows after their row group. */
export const questionsOf = (body: TemplateBody): Question[] =>
  body.sections.flatMap((section) => section.questions.flatMap(withMembers));

/** A question, and those in its rows after it. */
export function withMembers(question: Question): Question[] {
  return question.kind === 'rows'
    ? [question, ...question.questions.flatMap(withMembers)]
    : [question];
}
