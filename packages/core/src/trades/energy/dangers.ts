import type { SheetAnswers } from '../kit.ts';
import { numberAt, textAt } from './read.ts';

/** What bars tests and measures until it is resolved. */
export const DANGERS = ['combustion', 'mould', 'asbestos', 'wiring'] as const;
export type Danger = (typeof DANGERS)[number];

/** Carbon monoxide in ppm above which nobody stays (9 ppm over 8 h, US NAAQS; from memory). */
const MOST_MONOXIDE = 9;

const FOUND: Readonly<Record<Danger, (answers: SheetAnswers) => boolean>> = {
  combustion: (answers) =>
    textAt(answers, 'draught') === 'no' ||
    textAt(answers, 'gas_leak') === 'yes' ||
    (numberAt(answers, 'monoxide') ?? 0) > MOST_MONOXIDE,
  mould: (answers) => textAt(answers, 'mould') === 'yes',
  asbestos: (answers) => textAt(answers, 'asbestos') === 'yes',
  wiring: (answers) => textAt(answers, 'old_wiring') === 'yes',
};

/** The dangers that stand: found, and not said to be resolved. */
export const dangersOf = (answers: SheetAnswers): readonly Danger[] =>
  DANGERS.filter(
    (danger) => FOUND[danger](answers) && textAt(answers, `${danger}_resolved`) !== 'yes',
  );
