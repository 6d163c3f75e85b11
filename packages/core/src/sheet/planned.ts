import type { Program } from '../logic/index.ts';
import type { Reckoning } from '../trades/index.ts';
import type { Check, FindingRule, Message, Question, Section, TemplateBody } from './template.ts';

/** Something that keeps a template from being published, with the question it is about. */
export interface TemplateProblem {
  readonly question: string | null;
  readonly message: string;
}

/** A question with its expressions compiled. */
export interface PlannedQuestion {
  readonly question: Question;
  readonly section: string;
  /** Keys of the row groups it stands in, outermost first. */
  readonly groups: readonly string[];
  /** Everything that must hold for it to be asked. */
  readonly visible: readonly Program[];
  readonly required?: Program;
  readonly reason?: Program;
  readonly photo?: Program;
  readonly suggest?: Program;
  readonly formula?: Program;
  readonly low?: Program;
  readonly high?: Program;
  readonly messages: readonly { readonly when: Program; readonly message: Message }[];
  readonly findings: readonly { readonly when: Program; readonly rule: FindingRule }[];
  readonly checks: readonly { readonly must: Program; readonly check: Check }[];
  /** Whether anything about it depends on other answers. */
  readonly reads: boolean;
  /** Its place in an order in which everything follows what it reads. */
  readonly rank: number;
}

/** A template made ready for folding: its expressions compiled and in an order to compute. */
export interface SheetPlan {
  readonly body: TemplateBody;
  readonly questions: ReadonlyMap<string, PlannedQuestion>;
  /** Keys to recompute when this key's answer changes, directly. */
  readonly dependents: ReadonlyMap<string, readonly string[]>;
  /** Keys to recompute in the next row when this key's answer changes. */
  readonly followers: ReadonlyMap<string, readonly string[]>;
  /** Keys, by row group, that read which row they stand in or the row before. */
  readonly placed: ReadonlyMap<string, readonly string[]>;
  /** Row groups that are read as a whole, by the keys that read them. */
  readonly wholes: ReadonlyMap<string, readonly string[]>;
  /** What its trade kit reckons over the whole sheet. */
  readonly reckoning: PlannedReckoning | null;
}

export interface PlannedReckoning extends Reckoning {
  /** Questions that wait for its results, directly or not: it does not see their answers. */
  readonly waiting: ReadonlySet<string>;
}

/** A question where it stands, before anything is compiled. */
export interface Placed {
  readonly question: Question;
  readonly section: Section;
  readonly groups: readonly string[];
}
