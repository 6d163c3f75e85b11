export { individualsChart, runRules } from './control-chart.ts';
export {
  canConvert,
  convert,
  CONVERTIBLE_UNITS,
  tidy,
  unitFor,
  unitsLike,
  type UnitSystem,
} from './convert.ts';
export { readNumber, writeEntered, writeNumber, type Writing, writingOf } from './decimal.ts';
export {
  addDecimal,
  compareDecimal,
  remainderDecimal,
  roundDecimal,
  sumDecimal,
} from './decimal-arithmetic.ts';
export {
  type ExpectedRange,
  judgeOffScale,
  judgeRange,
  rangeIn,
  type RangeVerdict,
  sayLimit,
  sayRange,
} from './range.ts';
export { writeUnit } from './unit.ts';
export { chanceBeyond, unusualAtEnd } from './unusual.ts';
export { type VibrationClass, vibrationZone, type VibrationZone } from './vibration.ts';
