export {
  Compiler,
  patternsIn,
  type AnswerContext,
  type Outcome,
  type Program,
  type ProgramType,
  type Reads,
} from './compile.ts';
export { isAffordable, LONGEST_WORDS, worstCost, type SizeOf } from './cost.ts';
export { forgetAggregates, GENERAL_FUNCTIONS, ROW_FUNCTIONS } from './general-functions.ts';
export { STEP_BUDGET } from './meter.ts';
export type { FunctionOffer } from './offer.ts';
export {
  arePatternsLoaded,
  loadPatterns,
  loadPatternsFor,
  problemWithPattern,
  usesPatterns,
} from './patterns.ts';
export { isLanguageLoaded, loadLanguage } from './language.ts';
export { isLanguageWord, RESERVED_NAMES } from './words.ts';
export { freeKey } from './free-key.ts';
