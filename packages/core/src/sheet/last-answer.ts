import type { AnswerValue } from '../log/index.ts';

/** An answer of the visit before, or a row of it, where it stood. */
export interface LastAnswer {
  readonly path: string;
  readonly value: AnswerValue;
  /** UCUM code of the unit it was entered in. */
  readonly unit?: string;
}

/** Answers of the visit before, by path. */
export type LastAnswers = ReadonlyMap<string, LastAnswer>;

export const byPath = (answers: readonly LastAnswer[]): LastAnswers =>
  new Map(answers.map((answer) => [answer.path, answer]));
