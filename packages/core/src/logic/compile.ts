import type { ASTNode, Environment } from '@marcbachmann/cel-js';
import { Evaluator, Failed, MACROS, Missing, type Callable } from './evaluate.ts';
import { GENERAL_FUNCTIONS, ROW_FUNCTIONS } from './general-functions.ts';
import { newEnvironment } from './language.ts';
import { LANGUAGE_FUNCTIONS } from './methods.ts';
import { Meter, OverBudget } from './meter.ts';
import type { FunctionOffer } from './offer.ts';

/** Answers by question key; only questions that are asked and answered are in it. */
export type AnswerContext = Record<string, unknown>;

/** What an expression reads, found in its syntax tree. */
export interface Reads {
  /** Variables by name, whether it reads their value or only whether they are given. */
  readonly names: ReadonlySet<string>;
  /** Those of which it asks whether they are given. */
  readonly given: ReadonlySet<string>;
  /** Questions of the row before. */
  readonly previous: ReadonlySet<string>;
  /** Whether it reads its row's number or name. */
  readonly row: boolean;
  /** Columns of rows that functions such as `sum` are asked for. */
  readonly columns: readonly { readonly rows: string; readonly column: string | null }[];
}

/** What came of an expression: a value, an answer that is missing, or why it can't be computed. */
export type Outcome =
  | { readonly value: unknown }
  | { readonly missing: true }
  | { readonly failed: string; readonly overBudget: boolean };

export interface Program {
  readonly source: string;
  readonly reads: Reads;
  readonly ast: ASTNode;
  /** The value, or undefined while an answer it needs is missing or it can't be computed. */
  readonly run: (answers: AnswerContext) => unknown;
  /** The same, told apart. */
  readonly outcome: (answers: AnswerContext) => Outcome;
  /** How many steps of its budget it takes with these answers. */
  readonly stepsFor: (answers: AnswerContext) => number;
}

export type ProgramType = 'yes or no' | 'number' | 'anything';

const ROW_FUNCTION_NAMES = new Set(ROW_FUNCTIONS.map(({ name }) => name));

/** Whole numbers are read as such only where CEL needs one: a place in a list or in words. */
const WANTS_WHOLE = new Set(['substring', 'indexOf', 'lastIndexOf', 'split']);

/**
 * Compiles CEL (Common Expression Language) for one template. The language's own reader finds
 * mistakes in writing and in types; what an expression comes to is worked out here, since numbers of
 * a sheet are decimals, answers may be missing, and nothing may run without end.
 */
export class Compiler {
  private readonly environment = newEnvironment({
    limits: { maxAstNodes: 800, maxDepth: 60, maxListElements: 200, maxMapEntries: 100 },
  });
  private readonly functions = new Map<string, Callable>(LANGUAGE_FUNCTIONS);
  private readonly evaluator = new Evaluator(this.functions);
  /** Variables whose name is a word of the language itself, or stands twice. */
  readonly unusable: string[] = [];

  constructor(variables: Iterable<readonly [string, string]>, offers: readonly FunctionOffer[]) {
    this.addMixedArithmetic();
    for (const offer of [...GENERAL_FUNCTIONS, ...ROW_FUNCTIONS, ...offers]) this.register(offer);
    this.environment
      .registerVariable('given', 'map<string, bool>')
      .registerVariable('previous', 'map<string, dyn>')
      .registerVariable('row', 'map<string, dyn>')
      .registerVariable('programme', 'string');
    for (const [name, type] of variables)
      try {
        this.environment.registerVariable(name, type);
        if (!readsAsVariable(this.environment, name)) this.unusable.push(name);
      } catch {
        this.unusable.push(name);
      }
  }

  private register({ name, takes, gives, run }: FunctionOffer): void {
    const checked: Callable = (...given) => {
      takes.forEach((type, at) => mustBe(type, given[at]));
      return (run as Callable)(...given);
    };
    this.functions.set(name, checked);
    let overloads: string[][] = [[]];
    for (const type of takes)
      overloads = overloads.flatMap((before) =>
        (type === 'double' ? ['double', 'int'] : [type]).map((each) => [...before, each]),
      );
    for (const overload of overloads)
      this.environment.registerFunction(`${name}(${overload.join(', ')}): ${gives}`, never);
  }

  /** Some functions of the language give whole numbers: they compute with any other number. */
  private addMixedArithmetic(): void {
    for (const sign of ['+', '-', '*', '/', '%']) {
      this.environment.registerOperator(`double ${sign} int: double`, never);
      this.environment.registerOperator(`int ${sign} double: double`, never);
    }
    this.environment.registerOperator('double % double: double', never);
    this.environment.registerOperator('double == int: bool', never);
  }

  /** Throws with a readable message when the expression has unknown names or wrong types. */
  compile(source: string, type: ProgramType): Program {
    const parsed = this.environment.parse(source);
    const { ast } = parsed;
    const reads = readsOf(ast);
    const evaluate = this.evaluator.prepare(ast);
    makeDecimal(ast);
    const checked = parsed.check();
    if (!checked.valid) throw new Error(firstLine(checked.error?.message ?? 'not an expression'));
    const found = checked.type ?? 'dyn';
    if (type === 'yes or no' && found !== 'bool' && found !== 'dyn')
      throw new Error(`it must say yes or no, but gives ${sayType(found)}`);
    if (type === 'number' && !['double', 'int', 'dyn'].includes(found))
      throw new Error(`it must give a number, but gives ${sayType(found)}`);
    const outcome = (answers: AnswerContext): Outcome => {
      try {
        const value = evaluate({ answers, meter: new Meter(), items: [] });
        if (value instanceof Missing) return NOTHING_YET;
        if (value instanceof Failed) return { failed: value.words, overBudget: false };
        if (typeof value === 'number' && !Number.isFinite(value))
          return { failed: 'the number is too large', overBudget: false };
        return { value };
      } catch (error) {
        if (error instanceof OverBudget) return { failed: error.message, overBudget: true };
        throw error;
      }
    };
    return {
      source,
      reads,
      ast,
      outcome,
      stepsFor: (answers) => {
        const meter = new Meter();
        evaluate({ answers, meter, items: [] });
        return meter.used;
      },
      run: (answers) => {
        const came = outcome(answers);
        return 'value' in came ? came.value : undefined;
      },
    };
  }
}

/** What comes from a catalogue or a row has no type the checker could know. */
function mustBe(type: string, value: unknown): void {
  if (type === 'double' && typeof value !== 'number') throw new Error('it needs a number');
  if (type === 'string' && typeof value !== 'string') throw new Error('it needs words');
  if (type.startsWith('list') && !Array.isArray(value)) throw new Error('it needs rows');
}

const NOTHING_YET: Outcome = { missing: true };

/** The language's own evaluation is not used: only its reader, and its checker of types. */
const never = (): never => {
  throw new Error('evaluated elsewhere');
};

/**
 * Has the checker of types see every number as one kind, so that 1 and 1.5 go together, and 1/2 is a
 * half. Places in lists and words stay whole.
 */
function makeDecimal(node: ASTNode): void {
  const each = (part: unknown): void => {
    if (Array.isArray(part)) part.forEach(each);
    else if (isNode(part)) makeDecimal(part);
  };
  if (node.op === 'value') {
    if (typeof node.args === 'bigint') (node as { args: unknown }).args = Number(node.args);
  } else if (node.op === '[]') {
    each(node.args[0]);
    if (node.args[1].op !== 'value') each(node.args[1]);
  } else if (node.op === 'rcall' && WANTS_WHOLE.has(node.args[0])) each(node.args[1]);
  else each(node.args);
}

/** Words of the language, and names of its types such as `list`, read as something else. */
function readsAsVariable(environment: Environment, name: string): boolean {
  const checked = environment.parse(name).check();
  return checked.valid && checked.type !== 'type';
}

const firstLine = (text: string): string => text.split('\n')[0] ?? text;

const TYPE_WORDS: ReadonlyMap<string, string> = new Map([
  ['string', 'words'],
  ['double', 'a number'],
  ['int', 'a number'],
  ['bool', 'yes or no'],
  ['list', 'a list'],
  ['map', 'several values'],
]);
const sayType = (type: string): string => TYPE_WORDS.get(type.split('<')[0] ?? type) ?? type;

const isNode = (part: unknown): part is ASTNode =>
  typeof part === 'object' && part !== null && 'op' in part && 'args' in part;

/** Goes through a syntax tree with the names macros give their items; `see` says whether to go deeper. */
function visit(
  node: ASTNode,
  see: (node: ASTNode, items: readonly string[]) => boolean,
  items: readonly string[] = [],
): void {
  if (!see(node, items)) return;
  const inside = (part: unknown, named: readonly string[]): void => {
    if (Array.isArray(part)) part.forEach((each) => inside(each, named));
    else if (isNode(part)) visit(part, see, named);
  };
  if (node.op === 'rcall' && MACROS.has(node.args[0]) && node.args[2][0]?.op === 'id') {
    inside(node.args[1], items);
    inside(node.args[2].slice(1), [...items, node.args[2][0].args]);
  } else inside(node.args, items);
}

/** The patterns an expression looks for, where they are written out. */
export function patternsIn(ast: ASTNode): string[] {
  const found: string[] = [];
  visit(ast, (node) => {
    if (node.op === 'rcall' && node.args[0] === 'matches') {
      const [pattern] = node.args[2];
      if (pattern?.op === 'value' && typeof pattern.args === 'string') found.push(pattern.args);
    }
    return true;
  });
  return found;
}

function readsOf(ast: ASTNode): Reads {
  const names = new Set<string>();
  const given = new Set<string>();
  const previous = new Set<string>();
  const columns: { rows: string; column: string | null }[] = [];
  let row = false;
  visit(ast, (node, items) => {
    if (node.op === '.' || node.op === '.?') {
      const [of, field] = node.args;
      if (of.op === 'id' && of.args === 'given') {
        names.add(field);
        given.add(field);
        return false;
      }
      if (of.op === 'id' && of.args === 'previous') {
        previous.add(field);
        return false;
      }
    }
    if (node.op === 'call' && ROW_FUNCTION_NAMES.has(node.args[0])) {
      const [rows, column] = node.args[1];
      if (rows?.op === 'id')
        columns.push({
          rows: rows.args,
          column: column?.op === 'value' && typeof column.args === 'string' ? column.args : null,
        });
    }
    if (node.op === 'id') {
      if (node.args === 'row') row = true;
      else if (!items.includes(node.args)) names.add(node.args);
    }
    return true;
  });
  return { names, given, previous, row, columns };
}
