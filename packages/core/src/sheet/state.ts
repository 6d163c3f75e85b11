import type { AnswerValue, Entry, PhotoValue } from '../log/index.ts';
import type { Drift, RangeVerdict, VibrationZone } from '../measure/index.ts';
import type { Severity } from './severity.ts';
import type { Question, Section } from './template.ts';

/** Where a sheet stands, by its log alone. */
export type Stage = 'untouched' | 'under way' | 'finished' | 'returned' | 'approved';

export interface Answer {
  readonly value: AnswerValue;
  readonly unit?: string;
  readonly entry: Entry;
}

export interface Photo {
  readonly id: string;
  readonly path: string;
  readonly value: PhotoValue;
  readonly entry: Entry;
}

/** A reading that is not as expected. */
export interface Alert {
  readonly verdict: Exclude<RangeVerdict, 'within'> | 'zone';
  readonly zone?: VibrationZone;
  readonly words: string;
}

export interface Finding {
  readonly key: string;
  readonly severity: Severity;
  readonly words: string;
  readonly proposedAction?: string;
}

export type Missing = 'answer' | 'reason' | 'photo';

export interface LooseEnd {
  readonly key: string;
  readonly section: string;
  readonly missing: Missing;
  readonly words: string;
}

export interface QuestionState {
  readonly question: Question;
  readonly section: string;
  readonly visible: boolean;
  readonly answer: Answer | null;
  readonly reason: Answer | null;
  readonly photos: readonly Photo[];
  readonly alert: Alert | null;
  readonly finding: Finding | null;
  readonly looseEnds: readonly LooseEnd[];
  /** Whether a reason or a photo is asked for because of the answer. */
  readonly asksReason: boolean;
  readonly asksPhoto: boolean;
  /** The entries that say different things about the answer; empty when people agree. */
  readonly disagreement: readonly Entry[];
  /** Everything ever recorded about this question, oldest first. */
  readonly history: readonly Entry[];
}

export interface SectionState {
  readonly section: Section;
  readonly questions: readonly QuestionState[];
  readonly answered: number;
  readonly asked: number;
}

export interface SheetState {
  readonly stage: Stage;
  /** The entry that brought it there, with who, when and their word. */
  readonly stageEntry: Entry | null;
  readonly sections: readonly SectionState[];
  readonly looseEnds: readonly LooseEnd[];
  readonly findings: readonly Finding[];
  readonly alerts: number;
  readonly disagreements: readonly string[];
  /** Answers that changed after the sheet was finished, by the person who does the work. */
  readonly editedAfterFinish: readonly string[];
  /** Entries about something this template version does not ask; kept, never dropped. */
  readonly strays: readonly Entry[];
  readonly answered: number;
  readonly asked: number;
}

export interface Reading {
  readonly at: string;
  readonly value: number;
}

export type { Drift };
