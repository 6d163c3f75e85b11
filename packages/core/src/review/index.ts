export {
  type Difference,
  differencesIn,
  programmeDifference,
  saySide,
  type Side,
} from './differences.ts';
export { needOfEyes, needsEyes, standsOut } from './worst-first.ts';
