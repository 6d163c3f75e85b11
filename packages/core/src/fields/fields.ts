import type { AnswerValue } from '../log/index.ts';
import {
  problemWithAnswer,
  problemWithUnit,
  sayAnswer,
  type Question,
  type QuestionKind,
} from '../sheet/index.ts';

/** Kinds of question that can be a field of a thing, a place or a job: facts that are written or chosen. */
export const FIELD_KINDS = [
  'text',
  'number',
  'choice',
  'choices',
  'yesNo',
  'date',
  'percentage',
  'phone',
  'email',
  'lookup',
] as const satisfies readonly QuestionKind[];
export type FieldKind = (typeof FIELD_KINDS)[number];
export type Field = Extract<Question, { readonly kind: FieldKind }>;

/** What is known under one field. */
export interface Fact {
  readonly value: AnswerValue;
  /** UCUM, for numbers. */
  readonly unit?: string;
}

/** What is known of something, by the keys of its fields. */
export type Facts = Readonly<Record<string, Fact>>;

export const isField = (question: Question): question is Field =>
  (FIELD_KINDS as readonly string[]).includes(question.kind);

export interface FactProblem {
  readonly field: string;
  readonly label: string;
  readonly words: string;
}

/** What does not fit: facts of no field, and values their field can't take. Empty where all fits. */
export function problemsWithFacts(fields: readonly Field[], facts: Facts): FactProblem[] {
  return Object.entries(facts).flatMap(([key, { value, unit }]) => {
    const field = fields.find((each) => each.key === key);
    if (!field) return [{ field: key, label: key, words: 'There is no such field.' }];
    const words = problemWithAnswer(field, value) ?? problemWithUnit(field, unit);
    return words === null ? [] : [{ field: key, label: field.label, words }];
  });
}

/** A fact as people read it, with its unit; empty where nothing is known. */
export function sayFact(field: Field, facts: Facts, sayDay?: (day: string) => string): string {
  const fact = Object.hasOwn(facts, field.key) ? facts[field.key] : undefined;
  return fact ? sayAnswer(field, fact.value, fact.unit, undefined, sayDay) : '';
}
