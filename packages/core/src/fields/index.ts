export {
  type Fact,
  type FactProblem,
  type Facts,
  type Field,
  FIELD_KINDS,
  type FieldKind,
  isField,
  problemsWithFacts,
  sayFact,
} from './fields.ts';
export {
  factsFound,
  type Found,
  foundAs,
  type FoundBy,
  type SoughtField,
  soughtFields,
  wordsFound,
} from './found.ts';
export { FIELD_HOLDERS, type FieldHolder } from './own.ts';
