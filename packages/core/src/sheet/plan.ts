import { isQuestionKey, parsePath } from '../log/index.ts';
import {
  arePatternsLoaded,
  Compiler,
  isAffordable,
  LONGEST_WORDS,
  patternsIn,
  problemWithPattern,
  type Program,
  type ProgramType,
} from '../logic/index.ts';
import { canConvert } from '../measure/index.ts';
import { areKitsLoaded, kitsOf, KITS, namedKit, type Reckoning } from '../trades/index.ts';
import { problemWithAnswer, rulesOf } from './kinds/index.ts';
import { problemWithUnit } from './refuse.ts';
import type { Check, FindingRule, Message, Question, Section, TemplateBody } from './template.ts';

/** Something that keeps a template from being published, with the question it is about. */
export interface TemplateProblem {
  readonly question: string | null;
  readonly message: string;
}

/** A question with its expressions compiled. */
export interface PlannedQuestion {
  readonly question: Question;
  readonly section: string;
  /** Keys of the row groups it stands in, outermost first. */
  readonly groups: readonly string[];
  /** Everything that must hold for it to be asked. */
  readonly visible: readonly Program[];
  readonly required?: Program;
  readonly reason?: Program;
  readonly photo?: Program;
  readonly suggest?: Program;
  readonly formula?: Program;
  readonly low?: Program;
  readonly high?: Program;
  readonly messages: readonly { readonly when: Program; readonly message: Message }[];
  readonly findings: readonly { readonly when: Program; readonly rule: FindingRule }[];
  readonly checks: readonly { readonly must: Program; readonly check: Check }[];
  /** Whether anything about it depends on other answers. */
  readonly reads: boolean;
  /** Its place in an order in which everything follows what it reads. */
  readonly rank: number;
}

/** A template made ready for folding: its expressions compiled and in an order to compute. */
export interface SheetPlan {
  readonly body: TemplateBody;
  readonly questions: ReadonlyMap<string, PlannedQuestion>;
  /** Keys to recompute when this key's answer changes, directly. */
  readonly dependents: ReadonlyMap<string, readonly string[]>;
  /** Keys to recompute in the next row when this key's answer changes. */
  readonly followers: ReadonlyMap<string, readonly string[]>;
  /** Keys, by row group, that read which row they stand in or the row before. */
  readonly placed: ReadonlyMap<string, readonly string[]>;
  /** Row groups that are read as a whole, by the keys that read them. */
  readonly wholes: ReadonlyMap<string, readonly string[]>;
  /** What its trade kit reckons over the whole sheet. */
  readonly reckoning: PlannedReckoning | null;
}

export interface PlannedReckoning extends Reckoning {
  /** Questions that wait for its results, directly or not: it does not see their answers. */
  readonly waiting: ReadonlySet<string>;
}

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

/** A question where it stands, before anything is compiled. */
interface Placed {
  readonly question: Question;
  readonly section: Section;
  readonly groups: readonly string[];
}

/** What a row group is reckoned with where the template sets no end. */
const MOST_ROWS = 5_000;
/** Short words, such as a choice or a code, and what a catalogue knows. */
const ORDINARY_SIZE = 100;
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
    this.checkProgrammes();
    this.checkVariants();
    for (const key of this.compiler.unusable)
      this.report(key, `“${key}” is a word of the expression language: choose another key.`);
  }

  private report(question: string | null, message: string): void {
    this.problems.push({ question, message });
  }

  private place(question: Question, section: Section, groups: readonly string[]): void {
    const { key, label } = question;
    if (!isQuestionKey(key))
      this.report(key, `“${key}” can't be a key: use small letters, digits and _.`);
    if (this.placed.has(key)) this.report(key, `The key “${key}” is used twice.`);
    if (!label.trim()) this.report(key, 'A question has no words yet.');
    this.placed.set(key, { question, section, groups });
    this.checkMake(question);
    if (question.kind !== 'rows') return;
    if (groups.length >= DEEPEST)
      this.report(key, `“${label}” stands too deep: rows may hold rows, and no further.`);
    if (question.questions.length === 0) this.report(key, `“${label}” asks nothing in its rows.`);
    for (const member of question.questions) this.place(member, section, [...groups, key]);
  }

  private checkProgrammes(): void {
    const programmes = this.body.programmes ?? [];
    for (const { key, name, required, leftOut } of programmes) {
      if (programmes.filter((each) => each.key === key).length > 1)
        this.report(null, `The programme “${name}” stands twice.`);
      for (const named of [...required, ...leftOut])
        if (!this.placed.has(named))
          this.report(null, `The programme “${name}” names “${named}”, which is not asked.`);
      for (const named of required)
        if (leftOut.includes(named))
          this.report(named, `The programme “${name}” both requires and leaves out “${named}”.`);
    }
  }

  /** A variant may answer only what can be answered so. */
  private checkVariants(): void {
    for (const { name, answers } of this.body.variants ?? [])
      for (const { path, value, unit } of answers) {
        const parsed = parsePath(path);
        const of = parsed && this.placed.get(parsed.key);
        const wrong =
          !of ||
          (parsed.aspect === 'answer' &&
            (problemWithAnswer(of.question, value) ?? problemWithUnit(of.question, unit)) !== null);
        if (wrong)
          this.report(
            parsed?.key ?? null,
            `The variant “${name}” no longer fits “${of?.question.label ?? path}”.`,
          );
      }
  }

  /** What a question of its kind needs to make sense. */
  private checkMake(question: Question): void {
    const { key, label } = question;
    const twice = (keys: readonly string[]): boolean => new Set(keys).size < keys.length;
    if (question.kind === 'choice' || question.kind === 'choices') {
      if (question.options.length === 0) this.report(key, `“${label}” offers nothing to choose.`);
      if (twice(question.options.map((option) => option.key)))
        this.report(key, `“${label}” offers the same answer twice.`);
    }
    if (question.follows !== undefined && question.follows === key)
      this.report(key, `“${label}” can’t follow from itself.`);
    if (question.kind === 'shares' && question.parts.length < 2)
      this.report(key, `“${label}” needs at least two shares.`);
    if ('expected' in question && question.expected) {
      const { low, high } = question.expected;
      if (low !== undefined && high !== undefined && low > high)
        this.report(key, `The expected range of “${label}” ends before it begins.`);
    }
    if ('alsoIn' in question)
      for (const unit of question.alsoIn ?? [])
        if (!canConvert(unit, question.unit))
          this.report(key, `“${label}” can't be entered in ${unit}: it measures something else.`);
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
    switch (question?.kind) {
      case undefined:
        return UNKNOWN_SIZE;
      case 'rows':
        return question.most ?? MOST_ROWS;
      case 'choices':
        return question.options.length + 1;
      case 'text':
        return LONGEST_WORDS;
      case 'number':
      case 'instrument':
      case 'percentage':
      case 'yesNo':
      case 'performed':
      case 'acknowledge':
        return 1;
      default:
        return ORDINARY_SIZE;
    }
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

/** Everything that reads these, or reads what reads them. */
function downstream(
  names: Iterable<string>,
  readers: readonly ReadonlyMap<string, readonly string[]>[],
): Set<string> {
  const found = new Set<string>();
  const line = [...names];
  for (let name = line.pop(); name !== undefined; name = line.pop())
    for (const map of readers)
      for (const key of map.get(name) ?? [])
        if (!found.has(key)) {
          found.add(key);
          line.push(key);
        }
  return found;
}

function programsOf(of: Omit<PlannedQuestion, 'rank'>): Program[] {
  const { required, reason, photo, suggest, formula, low, high } = of;
  return [
    ...of.visible,
    ...[required, reason, photo, suggest, formula, low, high].flatMap((one) => (one ? [one] : [])),
    ...of.messages.map(({ when }) => when),
    ...of.findings.map(({ when }) => when),
    ...of.checks.map(({ must }) => must),
  ];
}

type Planned = ReadonlyMap<string, Omit<PlannedQuestion, 'rank'>>;

/**
 * An order in which everything follows what it reads, as far as that goes: what a message or a limit
 * reads too, so that rules over all rows are computed once all rows are. Only values and conditions
 * can go in a circle; a message or a limit changes no answer. The row before is not followed, since
 * rows end.
 */
function sortByReading(planned: Planned): { order: string[]; circle: string[] | null } {
  const members = new Map<string, string[]>();
  for (const [key, { groups }] of planned) {
    const group = groups.at(-1);
    if (!group) continue;
    const line = members.get(group);
    if (line) line.push(key);
    else members.set(group, [key]);
  }
  const named = (programs: readonly Program[]): string[] =>
    programs.flatMap(({ reads }) => [...reads.names]);
  const hard = (key: string): string[] => {
    const of = planned.get(key);
    if (!of) return [];
    return [
      ...named([...of.visible, ...(of.formula ? [of.formula] : [])]),
      ...(members.get(key) ?? []),
    ];
  };
  const all = (key: string): string[] => {
    const of = planned.get(key);
    return of ? [...hard(key), ...named(programsOf(of))] : [];
  };
  const keys = [...planned.keys()];
  return { order: follow(keys, all).order, circle: follow(keys, hard).circle };
}

/** What is followed before what follows it, without a call within a call: chains may be long. */
function follow(
  keys: readonly string[],
  next: (key: string) => readonly string[],
): { order: string[]; circle: string[] | null } {
  const order: string[] = [];
  const state = new Map<string, 'open' | 'done'>();
  const known = new Set(keys);
  let circle: string[] | null = null;
  for (const start of keys) {
    const trail: { readonly key: string; readonly rest: string[] }[] = [];
    const open = (key: string): void => {
      if (!known.has(key) || state.get(key) === 'done') return;
      if (state.get(key) === 'open') {
        const from = trail.findIndex((step) => step.key === key);
        circle ??= trail.slice(from).map((step) => step.key);
        return;
      }
      state.set(key, 'open');
      trail.push({ key, rest: [...next(key)].reverse() });
    };
    open(start);
    for (let step = trail.at(-1); step; step = trail.at(-1)) {
      const following = step.rest.pop();
      if (following !== undefined) {
        open(following);
        continue;
      }
      state.set(step.key, 'done');
      order.push(step.key);
      trail.pop();
    }
  }
  return { order, circle };
}
