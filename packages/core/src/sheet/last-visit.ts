import { parsePath, rowScope } from '../log/index.ts';
import { namedKit } from '../trades/index.ts';
import { answersOf } from './answers-of.ts';
import { problemWithAnswer, rulesOf } from './kinds/index.ts';
import type { LastAnswer, LastAnswers } from './last-answer.ts';
import { problemWithUnit } from './unit-given.ts';
import { isRow } from './row-group.ts';
import { everyQuestion } from './every-question.ts';
import type { Answer, QuestionState, SheetState } from './state.ts';
import { withMembers, type Question, type RowsQuestion, type TemplateBody } from './template.ts';

/**
 * Whether the answer of one visit is offered at the next: facts are, judgements and readings are
 * not, unless the template says otherwise. Nobody should confirm a measurement instead of taking it.
 */
export function isCarried(question: Question): boolean {
  if (question.carries !== undefined) return question.carries;
  const { carries } = rulesOf(question);
  return typeof carries === 'function' ? carries(question) : carries;
}

/**
 * Whether the office may fill it in before anybody is there: facts, not what is judged or measured
 * at the place, nor what is for whoever is there. Nobody should find an inspection done already.
 */
export const mayPrepare = (question: Question): boolean =>
  rulesOf(question).ofOneVisit !== true && (isCarried(question) || !rulesOf(question).judged);

/**
 * What the next visit is offered of this sheet: answers that are carried, rows people added, and what its trade kit
 * leaves, which stands above what was answered.
 */
export function answersToCarry(state: SheetState, body: TemplateBody): LastAnswer[] {
  const questions = state.sections.flatMap((section) => section.questions);
  const left = leftByKit(state, questions, body);
  const known = new Set(left.map(({ path }) => path));
  return [...questions.flatMap(carriedFrom).filter(({ path }) => !known.has(path)), ...left];
}

function leftByKit(
  state: SheetState,
  questions: readonly QuestionState[],
  body: TemplateBody,
): LastAnswer[] {
  const left = namedKit(body)?.leaves?.(answersOf(state)) ?? [];
  const groups = new Map(questions.map(({ path, rows }) => [path, rows]));
  return left.flatMap(({ group, at, key, ...fact }) => {
    const row = groups.get(group)?.[at];
    return row ? [{ path: `${rowScope(group, row.id)}${key}`, ...fact }] : [];
  });
}

/** Every plain answer of a sheet, for others to begin with; evidence belongs to one visit alone. */
export const asVariant = (state: SheetState): LastAnswer[] =>
  [...everyQuestion(state)].flatMap(({ state: { question, path, answer, rows } }) => [
    ...(answer && rulesOf(question).ofOneVisit ? [] : plainAnswer(path, answer)),
    ...rows.map((row) => ({ path: row.path, value: { order: row.order, name: row.name } })),
  ]);

const plainAnswer = (path: string, answer: Answer | null): LastAnswer[] =>
  answer
    ? [{ path, value: answer.value, ...(answer.unit === undefined ? {} : { unit: answer.unit }) }]
    : [];

function carriedFrom(state: QuestionState): LastAnswer[] {
  const { question, path, answer } = state;
  if (question.kind === 'rows')
    return isCarried(question)
      ? state.rows.flatMap((row) => [
          { path: row.path, value: { order: row.order, name: row.name } },
          ...row.questions.flatMap(carriedFrom),
        ])
      : [];
  if (!answer || !isCarried(question) || state.disagreement.length > 0) return [];
  return plainAnswer(path, answer);
}

/**
 * What the visit before offers for a question now: its answer while it has none, or, for a row
 * group in which there is no row yet, its rows with what they carry. Empty when nothing fits.
 */
export function offeredFor(state: QuestionState, last: LastAnswers): readonly LastAnswer[] {
  const { question, path } = state;
  if (last.size === 0 || !state.visible) return [];
  if (question.kind === 'rows')
    return isCarried(question) && state.rows.length === 0 && !question.fixed
      ? rowsOf(question, path, last)
      : [];
  const before = last.get(path);
  const isOpen = state.answer === null && state.closedOut === null;
  return before && isOpen && fits(question, before) ? [before] : [];
}

/** Everything the visit before offers for these questions and the rows in them. */
export const allOffered = (
  questions: readonly QuestionState[],
  last: LastAnswers,
): readonly LastAnswer[] =>
  questions.flatMap((state) => [
    ...offeredFor(state, last),
    ...state.rows.flatMap((row) => allOffered(row.questions, last)),
  ]);

/** A later version of the template may no longer take what was answered under an earlier one. */
const fits = (question: Question, { value, unit }: LastAnswer): boolean =>
  isCarried(question) &&
  (problemWithAnswer(question, value) ?? problemWithUnit(question, unit)) === null;

/** The rows of a group and in its rows, with what they carry. */
function rowsOf(group: RowsQuestion, path: string, last: LastAnswers): LastAnswer[] {
  const known = new Map(withMembers(group).map((question) => [question.key, question]));
  return [...last.values()].filter((answer) => {
    const parsed = answer.path.startsWith(`${path}/`) ? parsePath(answer.path) : null;
    const question = parsed && known.get(parsed.key);
    if (!question) return false;
    if (parsed.aspect === 'row') return isRow(answer.value) && isCarried(question);
    return fits(question, answer);
  });
}
