import type { AnswerValue, Entry, FileValue, PhotoValue } from '../log/index.ts';
import type { ExpectedRange, RangeVerdict, VibrationZone } from '../measure/index.ts';
import type { ResultOffer } from '../trades/kit.ts';
import type { Severity } from './severity.ts';
import type { Message, Programme, Question, Section } from './template.ts';

/** Where a sheet stands, by its log alone. */
export const STAGES = ['untouched', 'under way', 'finished', 'returned', 'approved'] as const;
export type Stage = (typeof STAGES)[number];

export interface Answer {
  readonly value: AnswerValue;
  readonly unit?: string;
  readonly entry: Entry;
}

/** A photo or file added to a question. */
export interface Item<Value> {
  readonly id: string;
  readonly path: string;
  readonly value: Value;
  readonly entry: Entry;
}
export type Photo = Item<PhotoValue>;
export type KeptFile = Item<FileValue>;

/** A reading that is not as expected. */
export interface Alert {
  readonly verdict: Exclude<RangeVerdict, 'within'> | 'zone';
  readonly zone?: VibrationZone;
  readonly words: string;
}

export interface Finding {
  /** Path of the question it was found at. */
  readonly key: string;
  readonly severity: Severity;
  readonly words: string;
  readonly proposedAction?: string;
}

export type Missing = 'answer' | 'reason' | 'photo' | 'check' | 'rows' | 'second person' | 'proof';

export interface LooseEnd {
  /** Path of the question. */
  readonly key: string;
  readonly section: string;
  readonly missing: Missing;
  readonly words: string;
}

/** What a question, a row or a section adds to the whole. */
export interface Tally {
  readonly answered: number;
  readonly asked: number;
  readonly alerts: number;
  readonly reached: number;
  readonly possible: number;
  /** Whether something in it stops everything. */
  readonly stops: boolean;
}

export interface QuestionState {
  readonly question: Question;
  /** Its key, with the rows it stands in before it. */
  readonly path: string;
  readonly section: string;
  readonly visible: boolean;
  readonly required: boolean;
  readonly answer: Answer | null;
  /** What a calculated question gives; null while something it needs is missing. */
  readonly calculated: AnswerValue | null;
  readonly reason: Answer | null;
  readonly photos: readonly Photo[];
  readonly files: readonly KeptFile[];
  readonly rows: readonly RowState[];
  /** The entry that closed it out as not applicable, while it has no answer. */
  readonly closedOut: Entry | null;
  /** What is expected of a reading now, in the question's unit. */
  readonly expected: ExpectedRange | null;
  /** An answer offered by the template. */
  readonly suggested: AnswerValue | null;
  readonly messages: readonly Message[];
  readonly alert: Alert | null;
  /** Worst first; those of its rows are among them. */
  readonly findings: readonly Finding[];
  readonly looseEnds: readonly LooseEnd[];
  /** Whether a reason or a photo is asked for because of the answer. */
  readonly asksReason: boolean;
  readonly asksPhoto: boolean;
  /** The entries that say different things about the answer; empty when people agree. */
  readonly disagreement: readonly Entry[];
  /** What people disagree about beside the answer: the reason, a photo, a file. */
  readonly conflicts: readonly Conflict[];
  /** Whether a rule about it did more than any may, and was stopped. */
  readonly overBudget: boolean;
  /** Everything ever recorded about this question, oldest first. */
  readonly history: readonly Entry[];
  readonly tally: Tally;
}

/** A path of which people, unaware of each other, said different things. */
export interface Conflict {
  readonly path: string;
  readonly entries: readonly Entry[];
}

export interface RowState {
  readonly id: string;
  readonly path: string;
  readonly number: number;
  readonly name: string;
  readonly order: number;
  /** The questions that are asked. */
  readonly questions: readonly QuestionState[];
  readonly looseEnds: readonly LooseEnd[];
  /** Those of its questions, with its name before them. */
  readonly findings: readonly Finding[];
  /** Paths of what people differ about in it. */
  readonly disagreements: readonly string[];
  readonly overBudget: readonly string[];
  readonly tally: Tally;
  /** A removal that others, who had not seen it, answered against. */
  readonly removal: Entry | null;
  /** The entries that name it differently; empty when people agree. */
  readonly naming: readonly Entry[];
}

export interface SectionState {
  readonly section: Section;
  readonly questions: readonly QuestionState[];
  readonly looseEnds: readonly LooseEnd[];
  readonly findings: readonly Finding[];
  readonly disagreements: readonly string[];
  readonly overBudget: readonly string[];
  readonly tally: Tally;
  readonly answered: number;
  readonly asked: number;
}

/** The result in points of what has been judged so far. */
export interface Score {
  readonly reached: number;
  readonly possible: number;
  /** Degree of compliance in percent; null while nothing counts yet. */
  readonly percent: number | null;
  readonly grade: string | null;
  /** Whether a failed question that stops everything caps the result. */
  readonly capped: boolean;
}

export interface SheetState {
  readonly stage: Stage;
  /** The entry that brought it there, with who, when and their word. */
  readonly stageEntry: Entry | null;
  readonly sections: readonly SectionState[];
  /** In a led sheet: ids of sections that wait for an earlier one. */
  readonly waiting: readonly string[];
  readonly looseEnds: readonly LooseEnd[];
  readonly findings: readonly Finding[];
  readonly alerts: number;
  readonly score: Score | null;
  readonly disagreements: readonly string[];
  /** The entries that say different things about the programme; empty when people agree. */
  readonly programmeConflict: readonly Entry[];
  /** Paths of what was said after the finish or approval it stands at, unknown to whoever made that. */
  readonly editedAfterFinish: readonly string[];
  /** The approval it had until something changed; it is in review again then. */
  readonly formerApproval: Entry | null;
  /** Paths of questions with a rule that did more than any may: it is as if it said nothing. */
  readonly overBudget: readonly string[];
  /** The client's programme it is done for. */
  readonly programme: Programme | null;
  /** What the trade kit reckons over the whole sheet, in the kit's order; null while it can't be told. */
  readonly reckoned: readonly ReckonedState[];
  /** Path of the photo chosen for the cover. */
  readonly cover: string | null;
  /** Entries about something this template version does not ask; kept, never dropped. */
  readonly strays: readonly Entry[];
  readonly answered: number;
  readonly asked: number;
}

export interface ReckonedState extends ResultOffer {
  readonly value: number | string | boolean | null;
}

export interface Reading {
  readonly at: string;
  readonly value: number;
}
