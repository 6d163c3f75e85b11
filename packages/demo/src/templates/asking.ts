import type { Question } from '@ant-trail/core/sheet';

type Of<Kind extends Question['kind']> = Extract<Question, { kind: Kind }>;
type Make<Kind extends Question['kind']> = Omit<Of<Kind>, 'kind' | 'required'> & {
  readonly required?: boolean;
};

/** A question that must be answered unless it says otherwise. */
export const ask = <Kind extends Question['kind']>(kind: Kind, made: Make<Kind>): Question =>
  ({ required: true, ...made, kind }) as unknown as Question;

export const numbered = (word: string, count: number): string[] =>
  Array.from({ length: count }, (_, index) => `${word} ${index + 1}`);

/** The signature that closes a sheet. */
export const signed = (key: string, label: string): Question => ask('signature', { key, label });
