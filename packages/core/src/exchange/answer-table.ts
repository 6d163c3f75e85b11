import type { AnswerValue } from '../log/index.ts';
import {
  everyQuestion,
  inUnit,
  isOffScale,
  isReading,
  isSaid,
  isUnproven,
  rulesOf,
  sayState,
  textOf,
  writeReading,
  type QuestionState,
  type SheetState,
} from '../sheet/index.ts';

export type TableCell = string | number;

const COLUMNS = [
  'Section',
  'Row',
  'Question',
  'Path',
  'Kind',
  'Answer',
  'Value',
  'Unit',
  'Expected from',
  'Expected to',
  'Out of range',
  'Severity',
  'Reason',
  'Evidence',
  'By',
  'At',
] as const;

/**
 * A sheet's answers as a table, its first line the titles: one line for each question that was
 * answered or had to be. “Answer” is for people. “Value” is for machines: a reading as a number in
 * the unit beside it (UCUM), with > or < before it where it was off the scale of the meter, keys of choices, days as RFC 3339. “Evidence” names photos and files
 * by their SHA-256. `nameOf` gives a person's name for their id.
 */
export function answerTable(state: SheetState, nameOf: (id: string) => string): TableCell[][] {
  const titles = new Map(state.sections.map(({ section }) => [section.id, section.title]));
  const lines = [...everyQuestion(state)]
    .filter((stop) => stop.state.required || isSaid(stop.state))
    .map(({ state: question, rows }) => [
      titles.get(question.section) ?? '',
      rows.join(' · '),
      ...lineOf(question, nameOf),
    ]);
  return [[...COLUMNS], ...lines];
}

function lineOf(state: QuestionState, nameOf: (id: string) => string): TableCell[] {
  const { question, path, answer, calculated, expected, reason } = state;
  const entry = answer?.entry ?? state.photos.at(-1)?.entry ?? state.files.at(-1)?.entry;
  const said = answer?.value ?? calculated;
  const own = question.kind === 'rows' ? [] : state.findings;
  return [
    question.label,
    path,
    question.kind,
    sayState(state, (day) => day),
    said === null ? '' : valueCell(state, said, answer?.unit),
    isReading(question) ? question.unit : '',
    expected?.low ?? '',
    expected?.high ?? '',
    state.alert ? state.alert.words : '',
    own[0]?.severity ?? '',
    reason ? textOf(reason.value) : '',
    [...state.photos, ...state.files].map(({ value }) => value.sha256).join('; '),
    entry ? nameOf(entry.by) : '',
    entry?.at ?? '',
  ];
}

function valueCell(state: QuestionState, value: AnswerValue, unit?: string): TableCell {
  const { question } = state;
  if (isUnproven(state)) return '';
  if (isOffScale(value) && isReading(question))
    return writeReading(inUnit(value.limit, unit, question.unit), value.offScale, undefined);
  const rules = rulesOf(question);
  // What no expression can read has no value for a machine either; its evidence is named apart.
  if (rules.celType === null) return '';
  return flat(rules.expose ? rules.expose(question, value, unit) : value);
}

function flat(exposed: unknown): TableCell {
  if (typeof exposed === 'string' || typeof exposed === 'number') return exposed;
  if (typeof exposed === 'boolean') return exposed ? 'yes' : 'no';
  if (Array.isArray(exposed)) return exposed.map((item) => String(flat(item))).join('; ');
  if (typeof exposed !== 'object' || exposed === null) return '';
  return Object.entries(exposed)
    .map(([key, value]) => `${key}=${String(flat(value))}`)
    .join('; ');
}
