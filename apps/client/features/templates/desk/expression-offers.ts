import { GENERAL_FUNCTIONS, ROW_FUNCTIONS } from '@ant-trail/core/logic';
import { questionsOf, rulesOf, type Question, type TemplateBody } from '@ant-trail/core/sheet';
import { loadedFunctions, namedKit } from '@ant-trail/core/trades';

/** A name that an expression may use. */
export interface Offer {
  readonly name: string;
  /** How a function is called; none for an answer. */
  readonly usage?: string;
  /** The question’s own words, by which it is found as well. */
  readonly words?: string;
  readonly about: string;
}

/** The questions an expression may read: all but its own, and those that have something to read. */
export const readable = (body: TemplateBody, own?: Question): Question[] =>
  questionsOf(body).filter(
    ({ key, kind }) => key !== own?.key && rulesOf({ kind } as Question).celType !== null,
  );

/** Everything an expression of this template may name: answers, results of its kit, functions. */
export const offersFor = (body: TemplateBody, own?: Question): Offer[] => [
  ...readable(body, own).map(({ key, label }) => ({ name: key, words: label, about: label })),
  ...(namedKit(body)?.reckoning?.results ?? []).map(({ name, about }) => ({ name, about })),
  ...[...GENERAL_FUNCTIONS, ...ROW_FUNCTIONS, ...loadedFunctions()].map(
    ({ name, usage, about }) => ({ name, usage, about }),
  ),
];
