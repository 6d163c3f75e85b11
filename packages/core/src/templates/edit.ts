import {
  KINDS,
  questionsOf,
  type Question,
  type QuestionKind,
  type Section,
  type TemplateBody,
} from '../sheet/index.ts';
import { freeKey } from '../logic/index.ts';

/** Where a question stands: in a section, or in a row group by its key. */
export type Home = { readonly section: string } | { readonly rows: string };

export const keysOf = (body: TemplateBody): Set<string> =>
  new Set(questionsOf(body).map((question) => question.key));

/** A new question of a kind, as little filled in as that kind allows. */
export function newQuestion(kind: QuestionKind, body: TemplateBody, label = ''): Question {
  const words = label || 'New question';
  const base = { key: freeKey(words, keysOf(body)), label: words, required: true };
  // Every kind begins with what its question must have beside what all have.
  return { ...base, ...KINDS[kind].begins, kind } as Question;
}

const EMPTY_SECTION: Omit<Section, 'id'> = { title: 'New section', questions: [] };

export function addSection(body: TemplateBody): TemplateBody {
  const ids = new Set(body.sections.map(({ id }) => id));
  return {
    ...body,
    sections: [...body.sections, { ...EMPTY_SECTION, id: freeKey('section', ids) }],
  };
}

type Change = (questions: readonly Question[]) => readonly Question[];

/** Applies a change to every list of questions: those of sections and those of row groups. */
function eachList(
  body: TemplateBody,
  change: (home: Home, questions: readonly Question[]) => readonly Question[],
): TemplateBody {
  const within: Change = (questions) =>
    questions.map((question) =>
      question.kind === 'rows'
        ? { ...question, questions: change({ rows: question.key }, within(question.questions)) }
        : question,
    );
  return {
    ...body,
    sections: body.sections.map((section) => ({
      ...section,
      questions: change({ section: section.id }, within(section.questions)),
    })),
  };
}

const isSame = (a: Home, b: Home): boolean =>
  'section' in a ? 'section' in b && a.section === b.section : 'rows' in b && a.rows === b.rows;

export const insertQuestion = (
  body: TemplateBody,
  home: Home,
  index: number,
  question: Question,
): TemplateBody =>
  eachList(body, (here, questions) =>
    isSame(here, home)
      ? [...questions.slice(0, index), question, ...questions.slice(index)]
      : questions,
  );

export const removeQuestion = (body: TemplateBody, key: string): TemplateBody =>
  eachList(body, (_, questions) => questions.filter((question) => question.key !== key));

export const replaceQuestion = (
  body: TemplateBody,
  key: string,
  question: Question,
): TemplateBody =>
  eachList(body, (_, questions) => questions.map((each) => (each.key === key ? question : each)));

/** Where a question stands, and at which place; null when it is not there. */
export function homeOf(body: TemplateBody, key: string): { home: Home; index: number } | null {
  let found: { home: Home; index: number } | null = null;
  eachList(body, (home, questions) => {
    const index = questions.findIndex((question) => question.key === key);
    if (index >= 0) found = { home, index };
    return questions;
  });
  return found;
}

/** Moves a question to a place; a row group can't be moved into itself. */
export function moveQuestion(
  body: TemplateBody,
  key: string,
  home: Home,
  index: number,
): TemplateBody {
  const question = questionsOf(body).find((each) => each.key === key);
  const from = homeOf(body, key);
  if (!question || !from) return body;
  if ('rows' in home && question.kind === 'rows') {
    const inside = questionsOf({
      ...body,
      sections: [{ id: '', title: '', questions: [question] }],
    });
    if (inside.some((each) => each.key === home.rows)) return body;
  }
  return insertQuestion(removeQuestion(body, key), home, index, question);
}

/** Moves a question one place up or down, over the edge of its section into the next. */
export function nudgeQuestion(body: TemplateBody, key: string, step: -1 | 1): TemplateBody {
  const from = homeOf(body, key);
  if (!from) return body;
  const { home, index } = from;
  const list = listAt(body, home);
  const to = index + step;
  if (to >= 0 && to < list.length) return moveQuestion(body, key, home, to);
  if (!('section' in home)) return body;
  const at = body.sections.findIndex(({ id }) => id === home.section);
  const other = body.sections[at + step];
  return other
    ? moveQuestion(body, key, { section: other.id }, step < 0 ? other.questions.length : 0)
    : body;
}

export function listAt(body: TemplateBody, home: Home): readonly Question[] {
  if ('section' in home)
    return body.sections.find(({ id }) => id === home.section)?.questions ?? [];
  const group = questionsOf(body).find(({ key }) => key === home.rows);
  return group?.kind === 'rows' ? group.questions : [];
}

/** The template with another list of programmes or variants; without any, with no list at all. */
export function withList<Name extends 'programmes' | 'variants'>(
  body: TemplateBody,
  name: Name,
  list: NonNullable<TemplateBody[Name]>,
): TemplateBody {
  const next: Record<string, unknown> = { ...body, [name]: list };
  if (list.length === 0) delete next[name];
  return next as unknown as TemplateBody;
}
