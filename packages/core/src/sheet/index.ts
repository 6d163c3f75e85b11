export { answersOf } from './answers-of.ts';
export { blanksIn } from './blanks.ts';
export { asksConsent, type Consent, consentsIn } from './consents.ts';
export { answersForNewRow, answersToCopy, orderAfterMove } from './copy-row.ts';
export { everyQuestion, questionAtPath, type Stop, walk } from './every-question.ts';
export { fold, OpenSheet } from './fold.ts';
export { foldStage } from './stage.ts';
export { sketchesIn, type SheetSketch } from './sketches-in.ts';
export { judgeReading } from './judge.ts';
export {
  inUnit,
  isAddress,
  isAsked,
  isCode,
  isHold,
  isLookup,
  isOffScale,
  isTimeOfDay,
  isPhoto,
  isSignature,
  isSketch,
  KINDS,
  LONGEST_RECORDING,
  numberOf,
  type OffScale,
  offScaleOf,
  type OfferedAnswer,
  ownAnswer,
  ownWords,
  problemWithAnswer,
  QUESTION_KINDS,
  type ReadAnswer,
  readReading,
  rulesOf,
  type SampleAnswer,
  sayAnswer,
  sharesOf,
  type SoughtBy,
  textOf,
  turnedOffScale,
  writeReading,
} from './kinds/index.ts';
export { byPath, type LastAnswer, type LastAnswers } from './last-answer.ts';
export {
  allOffered,
  answersToCarry,
  asVariant,
  isCarried,
  mayPrepare,
  offeredFor,
} from './last-visit.ts';
export { nameRows } from './name-rows.ts';
export { planSheet, problemsOf, TemplateError } from './plan.ts';
export type { PlannedQuestion, SheetPlan, TemplateProblem } from './planned.ts';
export { isPrepared, prepareFor, prepareForAny } from './prepare.ts';
export { readingsOf, type SheetReading } from './readings.ts';
export { isQuestionPath, problemWithEntry } from './refuse.ts';
export { isRow } from './row-group.ts';
export { isSaid, sayState, sayValue } from './say.ts';
export {
  ASKED_LENGTH,
  askedCode,
  GIVEN_LENGTH,
  givenCode,
  givenFits,
  isUnproven,
  isVouchedFor,
  readGiven,
} from './second-person.ts';
export { sayPath } from './say-path.ts';
export { sayPercent, sayScore, scoreOf } from './score.ts';
export { SEVERITIES, type Severity, severityWord } from './severity.ts';
export {
  type Alert,
  type Finding,
  type KeptFile,
  type Photo,
  type QuestionState,
  type RowState,
  type SectionState,
  type SheetState,
  type Stage,
  STAGES,
} from './state.ts';
export { EMPTY_SUMMARY, type SheetSummary, summarise } from './summary.ts';
export {
  type Check,
  FOLLOW_UP_WHEN,
  FOLLOW_UP_WHO,
  type FollowUp,
  type ChoiceQuestion,
  type ChoicesQuestion,
  type HoldQuestion,
  type SignatureQuestion,
  type PercentageQuestion,
  type SharesQuestion,
  type SketchQuestion,
  type RowsQuestion,
  type VideoQuestion,
  type VoiceQuestion,
  type FindingRule,
  type InstrumentQuestion,
  isReading,
  type LookupQuestion,
  type Message,
  type NumberQuestion,
  type Option,
  type Part,
  type Programme,
  type Question,
  type QuestionKind,
  type QuestionOf,
  questionsOf,
  type ReadingQuestion,
  type Section,
  type TemplateBody,
  type TemplateVersion,
  withMembers,
} from './template.ts';
export { fillIn, sayOnly, toldBy, type Told } from './told.ts';
export { problemWithUnit } from './unit-given.ts';
export { sayMinutes, timeInSheet } from './time-in-sheet.ts';
