import type { Entry, SignatureValue } from '../log/index.ts';
import { everyQuestion } from './every-question.ts';
import { isSignature } from './kinds/index.ts';
import type { SheetState } from './state.ts';
import { questionsOf, type TemplateBody } from './template.ts';

/** What was read and signed in a sheet. */
export interface Consent {
  readonly path: string;
  readonly label: string;
  readonly words: string;
  readonly signature: SignatureValue;
  readonly entry: Entry;
}

/** Whether a sheet of this template asks for any consent. */
export const asksConsent = (body: TemplateBody): boolean =>
  questionsOf(body).some(
    (question) => question.kind === 'signature' && question.consent !== undefined,
  );

/** The consents of a sheet that are signed and asked for as it stands, in their order. */
export const consentsIn = (state: SheetState): readonly Consent[] =>
  [...everyQuestion(state)].flatMap(({ state: { question, visible, answer, path } }) => {
    if (question.kind !== 'signature' || question.consent === undefined || !visible) return [];
    if (!answer || !isSignature(answer.value)) return [];
    const { value: signature, entry } = answer;
    return [{ path, label: question.label, words: question.consent, signature, entry }];
  });
