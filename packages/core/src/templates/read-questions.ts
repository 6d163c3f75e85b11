import { readNumber } from '../measure/index.ts';
import {
  QUESTION_KINDS,
  type Option,
  type Question,
  type QuestionKind,
  type Severity,
  type TemplateBody,
} from '../sheet/index.ts';
import { keysOf, newQuestion } from './edit.ts';
import { freeKey } from '../logic/index.ts';

/** The columns a file of questions may have, by the words their titles begin with. */
const TITLES = {
  section: /^(section|heading|group)/i,
  label: /^(question|label|item|text)/i,
  kind: /^(kind|type|answer kind)/i,
  unit: /^unit/i,
  low: /^(from|low|min)/i,
  high: /^(to\b|high|max)/i,
  options: /^(choices|options|answers)/i,
  required: /^(required|must)/i,
  help: /^(help|note|hint)/i,
} as const;
type ColumnName = keyof typeof TITLES;

/** What the kinds that a file can hold are called there, besides their own names. */
const KIND_NAMES: ReadonlyMap<string, QuestionKind> = new Map([
  ['yes/no', 'yesNo'],
  ['yes no', 'yesNo'],
  ['one choice', 'choice'],
  ['several choices', 'choices'],
  ['reading', 'number'],
  ['words', 'text'],
  ['day', 'date'],
  ['photos', 'photo'],
]);

const IN_FILES: ReadonlySet<QuestionKind> = new Set(
  QUESTION_KINDS.filter(
    (kind) => !['rows', 'calculated', 'shares', 'lookup', 'hold'].includes(kind),
  ),
);

export interface ReadQuestions {
  readonly sections: readonly { readonly title: string; readonly questions: readonly Question[] }[];
  readonly refused: readonly { readonly line: number; readonly why: string }[];
}

/**
 * Reads questions from the lines of a file whose first line has titles: Question, and where
 * wanted Section, Kind, Unit, From, To, Choices (separated by semicolons, “!” before a bad one),
 * Required and Help, in any order. A line that can't be read is named with the reason.
 */
export function readQuestions(
  lines: readonly (readonly string[])[],
  into: TemplateBody,
): ReadQuestions {
  const [titles = [], ...rest] = lines;
  const at = Object.fromEntries(
    Object.entries(TITLES).map(([name, words]) => [
      name,
      titles.findIndex((title) => words.test(title.trim())),
    ]),
  ) as Record<ColumnName, number>;
  if (at.label < 0)
    return {
      sections: [],
      refused: [{ line: 1, why: 'No column is called “Question”: write the titles into line 1.' }],
    };
  const taken = keysOf(into);
  const sections = new Map<string, Question[]>();
  const refused: { line: number; why: string }[] = [];
  let section = 'Imported';
  rest.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const cell = (name: ColumnName): string => cells[at[name]]?.trim() ?? '';
    section = cell('section') || section;
    const read = readQuestion(cell, taken);
    if (typeof read === 'string') {
      refused.push({ line: index + 2, why: read });
      return;
    }
    taken.add(read.key);
    sections.set(section, [...(sections.get(section) ?? []), read]);
  });
  return {
    sections: [...sections].map(([title, questions]) => ({ title, questions })),
    refused,
  };
}

/** One question, or why its line can't be read. */
function readQuestion(
  cell: (name: ColumnName) => string,
  taken: ReadonlySet<string>,
): Question | string {
  const label = cell('label');
  if (label === '') return 'It has no question.';
  if (label.length > 200) return 'The question is longer than 200 characters.';
  const unit = cell('unit');
  const named = cell('kind').toLowerCase();
  const kind =
    named === ''
      ? cell('options')
        ? 'choice'
        : unit
          ? 'number'
          : 'yesNo'
      : (KIND_NAMES.get(named) ??
        [...IN_FILES].find((each) => each.toLowerCase() === named.replaceAll(' ', '')));
  if (!kind) return `“${cell('kind')}” is no kind of question that a file can hold.`;
  const range = readRange(cell('low'), cell('high'));
  if (typeof range === 'string') return range;
  const help = cell('help');
  const base = {
    ...newQuestion(kind, { title: '', sections: [] }, label),
    key: freeKey(label, taken),
    label,
    required: !/^(no|n|false|0|optional)$/i.test(cell('required')),
    ...(help ? { help } : {}),
  };
  if (base.kind === 'choice' || base.kind === 'choices') {
    const options = readOptions(cell('options'));
    return options.length > 0 ? { ...base, options } : 'It offers nothing to choose.';
  }
  if (base.kind === 'number' || base.kind === 'instrument')
    return { ...base, unit: unit || '1', ...(range ? { expected: range } : {}) };
  return base;
}

function readRange(low: string, high: string): { low?: number; high?: number } | string | null {
  const range: { low?: number; high?: number } = {};
  for (const [end, text] of [
    ['low', low],
    ['high', high],
  ] as const) {
    if (text === '') continue;
    const read = readNumber(text);
    if (!('value' in read)) return `“${text}” is no number.`;
    range[end] = read.value;
  }
  return Object.keys(range).length > 0 ? range : null;
}

const BAD: Severity = 2;

function readOptions(text: string): Option[] {
  const taken = new Set<string>();
  return text
    .split(';')
    .map((each) => each.trim())
    .filter((each) => each.replace(/^!/, '').trim() !== '')
    .map((each) => {
      const label = each.replace(/^!/, '').trim();
      const key = freeKey(label, taken);
      taken.add(key);
      return { key, label, ...(each.startsWith('!') ? { severity: BAD } : {}) };
    });
}

/** Puts read questions in: under the section of that title, or under a new one at the end. */
export function addQuestions(body: TemplateBody, read: ReadQuestions): TemplateBody {
  const ids = new Set(body.sections.map(({ id }) => id));
  // An empty first section of a new template is not kept beside what was brought in.
  const kept = body.sections.filter(({ questions }) => questions.length > 0);
  const sections = [...(kept.length > 0 ? body.sections : [])];
  for (const { title, questions } of read.sections) {
    const index = sections.findIndex((section) => section.title === title);
    const known = sections[index];
    if (known) sections[index] = { ...known, questions: [...known.questions, ...questions] };
    else {
      const id = freeKey(title, ids);
      ids.add(id);
      sections.push({ id, title, questions });
    }
  }
  return { ...body, sections };
}
