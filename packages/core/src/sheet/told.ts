import { namedKit, type ToldFact } from '../trades/index.ts';
import { answersOf } from './answers-of.ts';
import { everyQuestion } from './every-question.ts';
import type { LastAnswer } from './last-answer.ts';
import { answersToCarry } from './last-visit.ts';
import type { SheetPlan } from './planned.ts';
import type { SheetState } from './state.ts';
import type { FollowUp, TemplateBody } from './template.ts';
import { rulesOf } from './kinds/index.ts';

/** A row that a trade kit makes for the sheet that follows. */
interface ToldRow {
  readonly group: string;
  readonly name: string;
  readonly facts: readonly ToldFact[];
}

/** What a sheet tells the one that follows it, so that nobody says it twice. */
export interface Told {
  /** Answers of questions outside rows that are one word of a few, by key. */
  readonly said: Readonly<Record<string, string>>;
  /** Facts where they stood, and rows people added. */
  readonly carried: readonly LastAnswer[];
  /** What its trade kit works out for whoever comes next. */
  readonly facts: readonly ToldFact[];
  readonly rows: readonly ToldRow[];
}

export function toldBy(state: SheetState, body: TemplateBody): Told {
  const { facts, rows } = namedKit(body)?.tells?.(answersOf(state)) ?? { facts: [], rows: [] };
  const groups = new Map(
    [...everyQuestion(state)].map(({ state: question }) => [question.path, question.rows]),
  );
  const questions = state.sections.flatMap((section) => section.questions);
  return {
    said: Object.fromEntries(
      questions.flatMap(({ question, answer }) =>
        rulesOf(question).offers && typeof answer?.value === 'string'
          ? [[question.key, answer.value]]
          : [],
      ),
    ),
    carried: answersToCarry(state),
    facts,
    rows: rows.map(({ group, name, facts: known, like }) => ({
      ...{ group, facts: known },
      name: (like && groups.get(like.group)?.[like.at]?.name) || name,
    })),
  };
}

/**
 * Answers and rows a following sheet can begin with, in the order they are to be entered. What its template does
 * not ask for is left out; whether it may be filled in beforehand is for `problemWithEntry` to say.
 */
export function fillIn(plan: SheetPlan, told: Told, newRow: () => string): readonly LastAnswer[] {
  const known = new Map(
    told.carried.filter(({ path }) => isAsked(plan, path)).map((each) => [each.path, each]),
  );
  const put = (path: string, { value, unit }: Omit<ToldFact, 'key'>): void => {
    if (isAsked(plan, path))
      known.set(path, { path, value, ...(unit === undefined ? {} : { unit }) });
  };
  for (const fact of told.facts) put(fact.key, fact);
  told.rows.forEach(({ group, name, facts }, at) => {
    if (plan.questions.get(group)?.question.kind !== 'rows') return;
    const path = `${group}/${newRow()}`;
    known.set(path, { path, value: { order: at + 1, name } });
    for (const fact of facts) put(`${path}/${fact.key}`, fact);
  });
  return [...known.values()];
}

/** The last name in a path of questions and rows is that of a question, or of a row in a group that is one. */
function isAsked(plan: SheetPlan, path: string): boolean {
  const names = path.split('/');
  const key = names.length % 2 === 1 ? names.at(-1) : names.at(-2);
  return key !== undefined && plan.questions.has(key);
}

/** The condition of a rule in words, such as “The household” is “Accepts”; null where it has none. */
export function sayOnly(body: TemplateBody, { only }: FollowUp): string | null {
  if (!only) return null;
  const question = body.sections
    .flatMap((section) => section.questions)
    .find(({ key }) => key === only.question);
  const offered = question && rulesOf(question).offers?.(question);
  const answer = offered?.find(({ value }) => value === only.answer);
  return question && answer ? `“${question.label}” is “${answer.label}”` : null;
}
