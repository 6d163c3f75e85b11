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
