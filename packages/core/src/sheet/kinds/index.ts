import type { AnswerValue } from '../../log/index.ts';
import type { ExpectedRange } from '../../measure/index.ts';
import type { Question, QuestionKind, QuestionOf } from '../template.ts';
import * as evidence from './evidence.ts';
import * as judging from './judging.ts';
import * as measuring from './measuring.ts';
import type { KindRules, SayDay } from './rules.ts';
import { rows } from './structure.ts';
import * as words from './words.ts';

/** Every kind of question. A kind that is not here does not compile. */
export const KINDS: { readonly [Kind in QuestionKind]: KindRules<QuestionOf<Kind>> } = {
  yesNo: judging.yesNo,
  choice: judging.choice,
  choices: judging.choices,
  performed: judging.performed,
  acknowledge: judging.acknowledge,
  number: measuring.number,
  instrument: measuring.instrument,
  calculated: measuring.calculated,
  percentage: measuring.percentage,
  shares: measuring.shares,
  text: words.text,
  phone: words.phone,
  email: words.email,
  date: words.date,
  time: words.time,
  moment: words.moment,
  address: words.address,
  code: words.code,
  lookup: words.lookup,
  photo: evidence.photo,
  video: evidence.video,
  voice: evidence.voice,
  file: evidence.file,
  signature: evidence.signature,
  hold: evidence.hold,
  sketch: evidence.sketch,
  rows,
};

export const QUESTION_KINDS = Object.keys(KINDS) as QuestionKind[];

/** The rules of a question's own kind. */
export const rulesOf = (question: Question): KindRules =>
  // Each kind's rules are only ever given questions of that kind.
  KINDS[question.kind] as KindRules;

/** Whether people answer it themselves: what is calculated and what holds rows is not asked. */
export const isAsked = (question: Question): boolean =>
  !['nothing', 'rows'].includes(rulesOf(question).keeps);

/** Says why a value can't answer a question, in words for the person; null when it can. */
export const problemWithAnswer = (question: Question, value: unknown): string | null =>
  rulesOf(question).problem(question, value);

/** The answer as people read it, with its unit; days as the face writes them. */
export const sayAnswer = (
  question: Question,
  value: AnswerValue,
  unit?: string,
  expected?: ExpectedRange | null,
  sayDay?: SayDay,
): string => rulesOf(question).say(question, value, unit, expected, sayDay);

export { isFile, isHold, isPhoto, isSignature, isSketch, LONGEST_RECORDING } from './evidence.ts';
export {
  besideScale,
  isOffScale,
  type OffScale,
  offScaleOf,
  readReading,
  turnedOffScale,
  writeReading,
} from './off-scale.ts';
export { ownAnswer, ownWords } from './judging.ts';
export { inUnit, sharesOf } from './measuring.ts';
export {
  numberOf,
  type OfferedAnswer,
  ORDINARY_SIZE,
  problemWithText,
  type ReadAnswer,
  type SampleAnswer,
  type SayDay,
  textOf,
  type SoughtBy,
} from './rules.ts';
export { isAddress, isCode, isDay, isLookup, isTimeOfDay } from './words.ts';
