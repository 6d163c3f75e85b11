import { isQuestionKey } from '../log/index.ts';
import {
  arePatternsLoaded,
  Compiler,
  isAffordable,
  patternsIn,
  problemWithPattern,
  type Program,
  type ProgramType,
} from '../logic/index.ts';
import { areKitsLoaded, kitsOf, KITS, namedKit, type Reckoning } from '../trades/index.ts';
import {
  checkFollowUp,
  checkMake,
  checkProgrammes,
  checkVariants,
  type Report,
} from './check-make.ts';
import { ORDINARY_SIZE, rulesOf } from './kinds/index.ts';
import type { Placed, PlannedQuestion, SheetPlan, TemplateProblem } from './planned.ts';
import { downstream, programsOf, sortByReading } from './reading-order.ts';
import type { Question, Section, TemplateBody } from './template.ts';

export class TemplateError extends Error {
  constructor(readonly problems: readonly TemplateProblem[]) {
    super(problems.map((problem) => problem.message).join(' '));
    this.name = 'TemplateError';
  }
}

/**
 * All that is wrong with a template; an empty list means it can be published. Published ones are not
 * held to what is only asked of new ones: that a rule stays affordable at the largest.
 */
export function problemsOf(body: TemplateBody): TemplateProblem[] {
  const result = new PlanBuilder(body, true).build();
  return Array.isArray(result) ? result : [];
}

/**
 * Compiles a template. Throws a {@link TemplateError} that lists every problem, and an Error where what
 * it needs was not loaded before ({@link prepareFor}).
 */
export function planSheet(body: TemplateBody): SheetPlan {
  if (!areKitsLoaded(body)) throw new Error('the trade kit of this template is not loaded');
  const result = new PlanBuilder(body, false).build();
  if (Array.isArray(result)) throw new TemplateError(result);
  return result;
}

const UNKNOWN_SIZE = 500;

/** Row groups within row groups: boards with circuits, and no deeper. */
const DEEPEST = 2;

class PlanBuilder {
  private readonly problems: TemplateProblem[] = [];
  private readonly placed = new Map<string, Placed>();
  private readonly sectionConditions = new Map<string, Program | undefined>();
  private readonly compiler: Compiler;
  private readonly reckoning: Reckoning | null;

  constructor(
    private readonly body: TemplateBody,
    private readonly publishing: boolean,
  ) {
    for (const section of body.sections)
      for (const question of section.questions) this.place(question, section, []);
    if (this.placed.size === 0) this.report(null, 'It asks nothing yet.');
    const variables = [...this.placed.values()].flatMap(({ question }) => {
      const type = rulesOf(question).celType;
      return type ? [[question.key, type] as const] : [];
    });
    this.reckoning = namedKit(body)?.reckoning ?? null;
    if (body.kit !== undefined && !KITS.some(({ key }) => key === body.kit))
      this.report(null, `The trade kit “${body.kit}” is not known here.`);
    this.compiler = new Compiler(
      [
        ...variables,
        ...(this.reckoning?.results ?? []).map(({ name, type }) => [name, type] as const),
      ],
      kitsOf(body).flatMap(({ functions }) => functions),
    );
    checkProgrammes(body, this.placed, this.report);
    checkVariants(body, this.placed, this.report);
    checkFollowUp(body, this.placed, this.report);
    for (const key of this.compiler.unusable)
      this.report(key, `“${key}” is a word of the expression language: choose another key.`);
  }

  private readonly report: Report = (question, message) => {
    this.problems.push({ question, message });
  };

  private place(question: Question, section: Section, groups: readonly string[]): void {
    const { key, label } = question;
    if (!isQuestionKey(key))
      this.report(key, `“${key}” can't be a key: use small letters, digits and _.`);
    if (this.placed.has(key)) this.report(key, `The key “${key}” is used twice.`);
    if (!label.trim()) this.report(key, 'A question has no words yet.');
    this.placed.set(key, { question, section, groups });
    checkMake(question, this.report);
    if (question.kind !== 'rows') return;
    if (groups.length >= DEEPEST)
      this.report(key, `“${label}” stands too deep: rows may hold rows, and no further.`);
    for (const member of question.questions) this.place(member, section, [...groups, key]);
  }

  /** Compiles one expression of a question and checks that it reads only what it can reach. */
  private compile(
    of: Placed,
    what: string,
    source: string | undefined,
    type: ProgramType,
  ): Program | undefined {
    if (source === undefined) return undefined;
    const { key, label } = of.question;
    try {
      const program = this.compiler.compile(source, type);
      for (const problem of this.unreachable(of, program))
        this.report(key, `The ${what} of “${label}” is wrong: ${problem}.`);
      if (this.publishing) this.checkCost(of, what, program);
      return program;
    } catch (error) {
      const words = error instanceof Error ? error.message.split('\n')[0] : String(error);
      this.report(key, `The ${what} of “${label}” is wrong: ${words}.`);
      return undefined;
    }
  }

  /** A rule must stay affordable in the largest sheet, or it would be stopped in some, some day. */
  private checkCost({ question: { key, label } }: Placed, what: string, { ast }: Program): void {
    if (!isAffordable(ast, (name) => this.largest(name)))
      this.report(
        key,
        `The ${what} of “${label}” could take too long: it goes through lists within lists. Write it simpler, or say how many rows there can be at most.`,
      );
    if (!arePatternsLoaded()) return;
    for (const pattern of patternsIn(ast)) {
      const problem = problemWithPattern(pattern);
      if (problem) this.report(key, `The ${what} of “${label}” is wrong: ${problem}.`);
    }
  }

  /** How many items or characters something an expression reads can have. */
  private largest(name: string): number {
    const question = this.placed.get(name)?.question;
    if (!question) return UNKNOWN_SIZE;
    return rulesOf(question).largest?.(question) ?? ORDINARY_SIZE;
  }

  private unreachable(of: Placed, { reads }: Program): string[] {
    const found: string[] = [];
    for (const name of reads.names) {
      const read = this.placed.get(name);
      // Other unknown names are the compiler's to report, or name the items of a list.
      if (!read && reads.given.has(name)) found.push(`nothing is called ${name}`);
      if (!read) continue;
      if (!read.groups.every((group, depth) => of.groups[depth] === group)) {
        const group = read.groups.at(-1) ?? '';
        found.push(`${name} stands in rows: use sum(${group}, "${name}") or the like`);
      }
    }
    const inner = of.groups.at(-1);
    for (const name of reads.previous)
      if (inner === undefined || this.placed.get(name)?.groups.at(-1) !== inner)
        found.push(`the row before has no ${name}`);
    if (reads.row && inner === undefined) found.push('it stands in no row');
    for (const { rows, column } of reads.columns) {
      const member = column === null ? undefined : this.placed.get(column);
      if (member?.groups.at(-1) !== rows)
        found.push(`“${column ?? '?'}” is no question of the rows ${rows}`);
    }
    return found;
  }

  /** A section's condition, compiled once for all its questions. */
  private sectionCondition(of: Placed): Program | undefined {
    const { id, visibleWhen } = of.section;
    if (!this.sectionConditions.has(id))
      this.sectionConditions.set(
        id,
        this.compile(of, 'condition of the section', visibleWhen, 'yes or no'),
      );
    return this.sectionConditions.get(id);
  }

  private plan(of: Placed): Omit<PlannedQuestion, 'rank'> {
    const { question, section, groups } = of;
    const one = (what: string, source: string | undefined, type: ProgramType = 'yes or no') =>
      this.compile(of, what, source, type);
    const optional = <Name extends string>(name: Name, program: Program | undefined) =>
      (program ? { [name]: program } : {}) as Partial<Record<Name, Program>>;
    // Rows have the conditions of their group by standing in it.
    const outer = groups.length === 0 ? this.sectionCondition(of) : null;
    const own = one('condition', question.visibleWhen);
    const visible = [outer, own].flatMap((program) => (program ? [program] : []));
    const required = one('required rule', question.requiredWhen);
    const reason = one('rule for a reason', question.reasonWhen);
    const photo = one('rule for a photo', question.photoWhen);
    const suggest = one('suggestion', question.suggest, 'anything');
    const formula =
      question.kind === 'calculated' ? one('formula', question.formula, 'anything') : undefined;
    const low = 'lowFrom' in question ? one('lower limit', question.lowFrom, 'number') : undefined;
    const high =
      'highFrom' in question ? one('upper limit', question.highFrom, 'number') : undefined;
    const messages = (question.messages ?? []).flatMap((message) => {
      const when = one('message rule', message.when);
      return when ? [{ when, message }] : [];
    });
    const findings = (question.findings ?? []).flatMap((rule) => {
      const when = one('finding rule', rule.when);
      return when ? [{ when, rule }] : [];
    });
    const checks = (question.checks ?? []).flatMap((check) => {
      const must = one('check', check.must);
      return must ? [{ must, check }] : [];
    });
    const single = { required, reason, photo, suggest, formula, low, high };
    const reads =
      visible.length + messages.length + findings.length + checks.length > 0 ||
      Object.values(single).some(Boolean);
    return {
      question,
      section: section.id,
      groups,
      visible,
      ...optional('required', required),
      ...optional('reason', reason),
      ...optional('photo', photo),
      ...optional('suggest', suggest),
      ...optional('formula', formula),
      ...optional('low', low),
      ...optional('high', high),
      messages,
      findings,
      checks,
      reads,
    };
  }

  build(): SheetPlan | TemplateProblem[] {
    const planned = new Map([...this.placed].map(([key, of]) => [key, this.plan(of)]));
    const { order, circle } = sortByReading(planned);
    if (circle) this.report(circle[0] ?? null, `These wait for each other: ${circle.join(', ')}.`);
    if (this.problems.length > 0) return this.problems;

    const rank = new Map(order.map((key, index) => [key, index]));
    const questions = new Map<string, PlannedQuestion>();
    const dependents = new Map<string, string[]>();
    const followers = new Map<string, string[]>();
    const placed = new Map<string, string[]>();
    const wholes = new Map<string, string[]>();
    const results = new Set(this.reckoning?.results.map(({ name }) => name));
    const note = (map: Map<string, string[]>, at: string, key: string): void => {
      const list = map.get(at);
      if (!list) map.set(at, [key]);
      else if (!list.includes(key)) list.push(key);
    };
    for (const [key, question] of planned) {
      questions.set(key, { ...question, rank: rank.get(key) ?? 0 });
      for (const { reads } of programsOf(question)) {
        for (const name of reads.names) {
          if (!planned.has(name) && !results.has(name)) continue;
          note(dependents, name, key);
          if (planned.get(name)?.question.kind === 'rows') note(wholes, key, name);
        }
        for (const name of reads.previous) note(followers, name, key);
        const group = question.groups.at(-1);
        if (group && (reads.row || reads.previous.size > 0)) note(placed, group, key);
      }
    }
    const reckoning = this.reckoning && {
      ...this.reckoning,
      waiting: downstream(results, [dependents, followers]),
    };
    return { body: this.body, questions, dependents, followers, placed, wholes, reckoning };
  }
}
