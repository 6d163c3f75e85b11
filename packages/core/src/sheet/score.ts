import { tidy } from '../measure/index.ts';
import type { Score, Tally } from './state.ts';
import type { ScoreRules } from './template.ts';

/** A percentage to one decimal, never rounded up: 89.96 % must not look like a grade's 90. */
export const sayPercent = (percent: number): string => `${Math.floor(tidy(percent * 10)) / 10} %`;

/** A result in words: percent, grade, and whether a failed question caps it. */
export function sayScore({ percent, grade, capped, reached, possible }: Score): string {
  if (percent === null) return 'nothing counted yet';
  const words = [
    `${sayPercent(percent)} of the points, ${reached} of ${possible}`,
    grade === null ? '' : `grade ${grade}`,
    capped ? 'capped by a failed question that stops everything' : '',
  ];
  return words.filter(Boolean).join(', ');
}

/**
 * The degree of compliance: points reached over points possible of what was judged, in percent;
 * what is not applicable or not yet judged counts on neither side. Method: VDA 6.3, degree of
 * fulfilment (recalled from memory). A failed question that stops everything leaves at most the
 * cap of the template, 0 where it sets none.
 */
export function scoreOf(rules: ScoreRules, tally: Tally): Score {
  const { reached, possible, stops } = tally;
  if (possible === 0) return { reached, possible, percent: null, grade: null, capped: false };
  // In this order 57 of 100 are 57 %, and not a hair below the grade that begins there.
  const plain = tidy((reached * 100) / possible);
  const percent = stops ? Math.min(plain, rules.cap ?? 0) : plain;
  const grade = rules.grades?.find(({ from }) => percent >= from)?.word ?? null;
  return { reached, possible, percent, grade, capped: stops && percent < plain };
}
