import { lookedUp, rowFinder, type Catalogue } from '../catalogues/index.ts';
import type { AnswerValue } from '../log/index.ts';
import { writeUnit } from '../measure/index.ts';
import {
  isLookup,
  numberOf,
  offScaleOf,
  problemWithAnswer,
  rulesOf,
  sayAnswer,
  type Question,
  type QuestionState,
  writeReading,
} from '../sheet/index.ts';

/** What words in a cell of a table mean as an answer; null takes the answer away. */
export type ReadCell =
  { readonly value: AnswerValue | null; readonly unit?: string } | { readonly problem: string };

/** Whether a question can be answered by words in a cell. */
export const isForCell = (question: Question): boolean =>
  question.kind === 'lookup' || offersOne(question) || rulesOf(question).readTyped !== undefined;

/** One of several answers is chosen there, so that words can name it. */
const offersOne = (question: Question): boolean =>
  rulesOf(question).offers !== undefined && question.kind !== 'choices';

/**
 * Reads what stands in a cell, as people write it in tables: a number in the question's own unit, an
 * answer by its name or what only it begins with, a row of a catalogue by code or name. Empty takes the
 * answer away; `list` is the catalogue of a question that looks in one. Never throws: what can't be an
 * answer gets words for the person.
 */
export function readCell(question: Question, cell: string, list: Catalogue | null): ReadCell {
  const words = cell.trim();
  if (words === '' || words === '–' || words === '-') return { value: null };
  if (question.kind === 'lookup') return readLookup(question, words, list);
  if (offersOne(question)) return readOffered(question, words);
  const read = rulesOf(question).readTyped?.(question, words);
  if (!read) return { problem: 'This can’t be written in a table.' };
  if ('problem' in read) return { problem: read.problem };
  const problem = problemWithAnswer(question, read.value);
  if (problem !== null) return { problem };
  const [unit] = rulesOf(question).units?.(question) ?? [];
  return { value: read.value, ...(unit === undefined ? {} : { unit }) };
}

const plain = (words: string): string => words.trim().toLowerCase();

function readOffered(question: Question, words: string): ReadCell {
  const offered = rulesOf(question).offers?.(question) ?? [];
  const wanted = plain(words);
  const named = offered.find(({ value, label }) =>
    [value, label, label.split(',')[0] ?? ''].some((name) => plain(name) === wanted),
  );
  if (named) return { value: named.value };
  const begun = offered.filter(({ label }) => plain(label).startsWith(wanted));
  const [only] = begun;
  if (only && begun.length === 1) return { value: only.value };
  return { problem: `Write one of: ${offered.map(({ label }) => label).join('; ')}.` };
}

function readLookup(
  question: Question & { readonly kind: 'lookup' },
  words: string,
  list: Catalogue | null,
): ReadCell {
  const { catalogue, somethingElse } = question;
  if (!list) return { problem: 'The catalogue is not here yet. It comes with the next sync.' };
  const wanted = plain(words);
  const exact = list.rows.filter(({ code, label }) =>
    [code, label].some((name) => plain(name) === wanted),
  );
  const found = exact.length > 0 ? exact : rowFinder(list.rows)(words, 2);
  const [row] = found;
  if (row && found.length === 1) return { value: lookedUp(catalogue, row) };
  if (somethingElse && found.length === 0)
    return { value: { catalogue, row: '', label: words, fields: {} } };
  const [first = ''] = list.rows.map(({ code }) => code);
  return {
    problem:
      found.length === 0
        ? `“${words}” is not in ${list.name}. Write a code such as ${first}.`
        : `More than one in ${list.name} begins like that. Write its code, such as ${found[0]?.code ?? first}.`,
  };
}

/** What stands in the cell of a question, written so that it can be read back; empty where nothing does. */
export function writeCell({ question, answer, calculated }: QuestionState): string {
  if (!answer) return calculated === null ? '' : sayAnswer(question, calculated);
  const { value, unit } = answer;
  if (isLookup(value)) return value.row === '' ? value.label : value.row;
  if (offersOne(question)) return sayAnswer(question, value).split(',')[0] ?? '';
  const number = numberOf(value);
  if (number === null || !('unit' in question)) return sayAnswer(question, value, unit);
  if (unit !== undefined && unit !== question.unit)
    return `${writeReading(number, offScaleOf(value), undefined)} ${writeUnit(unit)}`;
  const decimals = 'decimals' in question ? question.decimals : undefined;
  return writeReading(number, offScaleOf(value), decimals);
}
