import {
  isSaid,
  isUnproven,
  rulesOf,
  sayState,
  type Question,
  type QuestionState,
  type SoughtBy,
  type SheetState,
  type TemplateBody,
} from '../sheet/index.ts';

/** What was answered to one question: as it is compared, and as it is read. */
export interface RecordedField {
  /** A number in the question's unit, a key, words, a day; keys where several were chosen. */
  readonly v: number | string | readonly string[];
  /** As people read it, with its unit; days as RFC 3339. */
  readonly t: string;
  /** Out of its range, or not as it should be. */
  readonly bad?: true;
}

/** A sheet as one line of many: a projection by the questions' keys. */
export type Recorded = Readonly<Record<string, RecordedField>>;

/** Longer words are cut: a line is for finding, the sheet for reading. */
const MOST_LETTERS = 300;
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
  const { sought, expose } = rulesOf(question);
  if (!sought || !isSaid(state) || isUnproven(state)) return null;
  const said = answer?.value ?? calculated;
  if (said === null || said === undefined) return null;
  const read = sayState(state, (day) => day).slice(0, MOST_LETTERS);
  const value =
    sought === 'words' ? read : plain(expose ? expose(question, said, answer?.unit) : said);
  if (value === null) return null;
  const isBad = state.alert !== null || state.findings.length > 0;
  return {
    v: value,
    t: read,
    ...(isBad ? { bad: true as const } : {}),
  };
}

function plain(value: unknown): RecordedField['v'] | null {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return Number.isFinite(value) ? value : null;
  if (typeof value === 'string') return value.slice(0, MOST_LETTERS);
  if (Array.isArray(value)) return value.map((each) => String(each).slice(0, MOST_LETTERS));
  return null;
}

export interface RecordField {
  readonly key: string;
  readonly label: string;
  readonly kind: SoughtBy;
  /** UCUM code of a number. */
  readonly unit: string | null;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

/** What sheets of a template can be sought by, in the order they are asked. */
export const recordFields = (body: TemplateBody): RecordField[] =>
  body.sections
    .flatMap(({ questions }) => questions)
    .flatMap((question): RecordField[] => {
      const kind = rulesOf(question).sought;
      if (!kind) return [];
      const unit = 'unit' in question ? question.unit : question.kind === 'percentage' ? '%' : null;
      return [
        { key: question.key, label: question.label, kind, unit, options: optionsOf(question) },
      ];
    })
    .slice(0, MOST_FIELDS);

const optionsOf = (question: Question): RecordField['options'] =>
  rulesOf(question).offers?.(question) ?? [];
