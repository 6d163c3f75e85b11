import type { JobRow } from '../planning/entities.ts';

export interface ReportLetter {
  readonly to: readonly string[];
  /** What stands in it before all else; empty for the ordinary letter. */
  readonly words: string;
}

/** The letters that are still to go: one for each who has words of their own, and one for all the others. */
export function lettersOf(
  { recipients, letterWords: words }: Pick<JobRow, 'recipients' | 'letterWords'>,
  sent: readonly string[],
): readonly ReportLetter[] {
  const left = [...new Set(recipients)].filter((each) => !sent.includes(each));
  const wordsFor = (each: string): string =>
    Object.hasOwn(words, each) ? (words[each] ?? '') : '';
  const ordinary = left.filter((each) => wordsFor(each) === '');
  return [
    ...(ordinary.length > 0 ? [{ to: ordinary, words: '' }] : []),
    ...left.flatMap((each) => (wordsFor(each) ? [{ to: [each], words: wordsFor(each) }] : [])),
  ];
}
