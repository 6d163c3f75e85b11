import { isQuestionKey } from '../log/index.ts';
import { ConditionCompiler, type Condition } from './expression.ts';
import { questionsOf, type Question, type TemplateBody } from './template.ts';

/** Something that keeps a template from being published, with the question it is about. */
export interface TemplateProblem {
  readonly question: string | null;
  readonly message: string;
}

/** A template made ready for folding: its conditions compiled and in an order that can be computed. */
export interface SheetPlan {
  readonly body: TemplateBody;
  readonly questions: ReadonlyMap<string, Question>;
  readonly conditions: ReadonlyMap<string, Condition>;
  /** Keys whose visibility may change with this key's answer, directly. */
  readonly dependents: ReadonlyMap<string, readonly string[]>;
  /** Position of each conditional key in an order where every condition follows what it reads. */
  readonly rank: ReadonlyMap<string, number>;
}

export class TemplateError extends Error {
  constructor(readonly problems: readonly TemplateProblem[]) {
    super(problems.map((problem) => problem.message).join(' '));
    this.name = 'TemplateError';
  }
}

/** All that is wrong with a template; an empty list means it can be published. */
export function problemsOf(body: TemplateBody): TemplateProblem[] {
  const result = build(body);
  return Array.isArray(result) ? result : [];
}

/** Compiles a template. Throws a {@link TemplateError} that lists every problem. */
export function planSheet(body: TemplateBody): SheetPlan {
  const result = build(body);
  if (Array.isArray(result)) throw new TemplateError(result);
  return result;
}

function build(body: TemplateBody): SheetPlan | TemplateProblem[] {
  const problems: TemplateProblem[] = [];
  const questions = new Map<string, Question>();
  for (const question of questionsOf(body)) {
    if (!isQuestionKey(question.key))
      problems.push({
        question: question.key,
        message: `“${question.key}” can't be a key: use small letters, digits and _.`,
      });
    if (questions.has(question.key))
      problems.push({
        question: question.key,
        message: `The key “${question.key}” is used twice.`,
      });
    questions.set(question.key, question);
  }
  if (questions.size === 0) problems.push({ question: null, message: 'It asks nothing yet.' });

  const compiler = new ConditionCompiler([...questions.values()]);
  for (const key of compiler.unusableKeys)
    problems.push({
      question: key,
      message: `“${key}” is a word of the expression language: choose another key.`,
    });
  const conditions = new Map<string, Condition>();
  for (const { key, label, visibleWhen } of questions.values()) {
    if (visibleWhen === undefined) continue;
    try {
      conditions.set(key, compiler.compile(visibleWhen));
    } catch (error) {
      const what = error instanceof Error ? error.message.split('\n')[0] : String(error);
      problems.push({
        question: key,
        message: `The condition of “${label}” is wrong: ${what}.`,
      });
    }
  }
  const { order, cycle } = sortByDependence(conditions);
  if (cycle)
    problems.push({
      question: cycle[0] ?? null,
      message: `These conditions wait for each other: ${cycle.join(', ')}.`,
    });
  if (problems.length > 0) return problems;

  const dependents = new Map<string, string[]>();
  for (const [key, condition] of conditions)
    for (const source of condition.dependsOn)
      dependents.set(source, [...(dependents.get(source) ?? []), key]);
  const rank = new Map(order.map((key, index) => [key, index]));
  return { body, questions, conditions, dependents, rank };
}

function sortByDependence(conditions: ReadonlyMap<string, Condition>): {
  order: string[];
  cycle: string[] | null;
} {
  const order: string[] = [];
  const state = new Map<string, 'open' | 'done'>();
  let cycle: string[] | null = null;
  const visit = (key: string, trail: string[]): void => {
    const condition = conditions.get(key);
    if (!condition || state.get(key) === 'done') return;
    if (state.get(key) === 'open') {
      cycle ??= trail.slice(trail.indexOf(key));
      return;
    }
    state.set(key, 'open');
    for (const source of condition.dependsOn) visit(source, [...trail, key]);
    state.set(key, 'done');
    order.push(key);
  };
  for (const key of conditions.keys()) visit(key, []);
  return { order, cycle };
}
