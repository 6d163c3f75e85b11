import { foundAs, soughtFields, type Found, type SoughtField } from '../fields/index.ts';
import {
  isSaid,
  isUnproven,
  rulesOf,
  sayState,
  type QuestionState,
  type SheetState,
  type TemplateBody,
} from '../sheet/index.ts';

/** What was answered to one question. */
export interface RecordedField extends Found {
  /** Out of its range, or not as it should be. */
  readonly bad?: true;
}

/** A sheet as one line of many: a projection by the questions' keys. */
export type Recorded = Readonly<Record<string, RecordedField>>;

/** Sheets are found by the first so many of their questions that can be compared. */
const MOST_FIELDS = 200;

/** What a sheet says, as a line among others of its template. Rows of groups are left out. */
export function recordedOf(state: SheetState): Recorded {
  const asked = state.sections
    .flatMap(({ questions }) => questions)
    .filter(({ question }) => rulesOf(question).sought)
    .slice(0, MOST_FIELDS);
  return Object.fromEntries(
    asked.flatMap((question) => {
      const field = fieldOf(question);
      return field ? [[question.question.key, field]] : [];
    }),
  );
}

function fieldOf(state: QuestionState): RecordedField | null {
  const { question, answer, calculated } = state;
  if (!isSaid(state) || isUnproven(state)) return null;
  const said = answer?.value ?? calculated;
  if (said === null || said === undefined) return null;
  const found = foundAs(
    question,
    said,
    answer?.unit,
    sayState(state, (day) => day),
  );
  if (!found) return null;
  const isBad = state.alert !== null || state.findings.length > 0;
  return { ...found, ...(isBad ? { bad: true as const } : {}) };
}

/** What sheets of a template can be sought by, in the order they are asked. */
export const recordFields = (body: TemplateBody): SoughtField[] =>
  soughtFields(body.sections.flatMap(({ questions }) => questions)).slice(0, MOST_FIELDS);
