import { rowPath, rowScope } from '../log/index.ts';
import { namedKit, type ToldFact } from '../trades/index.ts';
import { answersOf } from './answers-of.ts';
import { everyQuestion } from './every-question.ts';
import type { LastAnswer } from './last-answer.ts';
import { answersToCarry } from './last-visit.ts';
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
    carried: answersToCarry(state, body),
    facts,
    rows: rows.map(({ group, name, facts: known, like }) => ({
      ...{ group, facts: known },
      name: (like && groups.get(like.group)?.[like.at]?.name) || name,
    })),
  };
}

/**
 * Answers and rows a following sheet can begin with, in the order they are to be entered; a kit's facts stand above
 * what is carried. Whether its template asks for them, and lets them be filled in beforehand, `problemWithEntry` says.
 */
export function fillIn(told: Told, newRow: () => string): readonly LastAnswer[] {
  const facts = (scope: string, known: readonly ToldFact[]): LastAnswer[] =>
    known.map(({ key, ...fact }) => ({ path: `${scope}${key}`, ...fact }));
  const own = facts('', told.facts);
  const known = new Set(own.map(({ path }) => path));
  return [
    ...told.carried.filter(({ path }) => !known.has(path)),
    ...own,
    ...told.rows.flatMap((row, at): LastAnswer[] => {
      const id = newRow();
      const value = { order: at + 1, name: row.name };
      return [
        { path: rowPath(row.group, id), value },
        ...facts(rowScope(row.group, id), row.facts),
      ];
    }),
  ];
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
