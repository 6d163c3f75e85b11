import { rulesOf, type QuestionState, type SampleAnswer } from '../sheet/index.ts';

/**
 * An answer as if somebody had given it, for kinds that nobody can give without a phone in the
 * hand: photos, recordings, signatures, sketches, rows. Null for every other kind.
 */
export const sampleAnswer = ({ question, path, rows }: QuestionState): SampleAnswer | null =>
  rulesOf(question).sample?.(question, { path, rows: rows.length }) ?? null;
