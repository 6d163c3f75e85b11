import type { FunctionOffer } from '../logic/index.ts';

/** What a reckoning reads: answers by key, row groups as lists of such; what is not answered is not in it. */
export type SheetAnswers = Readonly<Record<string, unknown>>;

/** One result of a reckoning. Expressions know it by its name, as an answer that nobody has to give. */
export interface ResultOffer {
  /** With a capital letter in it: keys of questions have none, so that the two are never taken for each other. */
  readonly name: string;
  readonly label: string;
  readonly type: 'double' | 'string' | 'bool';
  /** UCUM, for numbers. */
  readonly unit?: string;
  /** What it is, with the source of its figures. */
  readonly about: string;
  /** Shown where it belongs, not among the results above the sheet. */
  readonly aside?: boolean;
  /** Question it is about: a sheet that does not ask it has no such result to wait for. */
  readonly needs?: string;
}

export type Reckoned = Readonly<Record<string, number | string | boolean>>;

/**
 * A computation over a whole sheet. Pure: the same answers give the same results, so that phone, desk,
 * server and report agree. It does not see answers of questions that read its results.
 */
export interface Reckoning {
  readonly results: readonly ResultOffer[];
  /** What can be told so far; a result that can’t be told yet is left out. */
  readonly run: (answers: SheetAnswers) => Reckoned;
}

/** Something the next sheet can begin with. */
export interface ToldFact {
  readonly key: string;
  readonly value: string | number;
  /** UCUM, for numbers. */
  readonly unit?: string;
}

/** A fact that the next visit is offered in a row, by the place of the row in its group. */
export interface LeftFact extends ToldFact {
  readonly group: string;
  readonly at: number;
}

/** What a sheet’s answers come to for the sheet that follows it. */
export interface KitTells {
  readonly facts: readonly ToldFact[];
  readonly rows: readonly {
    readonly group: string;
    /** The row it is called after, by its place among those of a group; where there is none, `name`. */
    readonly like?: { readonly group: string; readonly at: number };
    readonly name: string;
    readonly facts: readonly ToldFact[];
  }[];
}

/** What a trade brings to sheets. Its code is loaded with the first sheet that needs it. */
export interface TradeKit {
  readonly key: string;
  readonly name: string;
  readonly functions: readonly FunctionOffer[];
  readonly reckoning?: Reckoning;
  /** What whoever comes next is told, beside the facts of the sheet itself. */
  readonly tells?: (answers: SheetAnswers) => KitTells;
  /** What the next visit is offered in rows beside the facts that carry over, and instead of them. */
  readonly leaves?: (answers: SheetAnswers) => readonly LeftFact[];
}

/** A kit as it is known before its code is there. */
export interface KnownKit {
  readonly key: string;
  readonly name: string;
  /** Functions it adds to expressions: a template that calls one needs the kit, whether it names it or not. */
  readonly functions: readonly string[];
  readonly load: () => Promise<TradeKit>;
}
