export {
  type Difference,
  differencesIn,
  programmeDifference,
  saySide,
  type Side,
} from './differences.ts';
export { revisionOf, type Revision } from './revision.ts';
export { needOfEyes, needsEyes, standsOut } from './worst-first.ts';
