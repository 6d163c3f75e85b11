import { Environment, type ASTNode } from '@marcbachmann/cel-js';
import { GENERAL_FUNCTIONS, ROW_FUNCTIONS } from './general-functions.ts';
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

export interface Program {
  readonly source: string;
  readonly reads: Reads;
  /** The value, or undefined while an answer it needs is missing. */
  readonly run: (answers: AnswerContext) => unknown;
}

export type ProgramType = 'yes or no' | 'number' | 'anything';

/** Names that are always there: what is given, the row before, one's own row, the client's programme. */
export const RESERVED_NAMES = ['given', 'previous', 'row', 'programme'] as const;

const ROW_FUNCTION_NAMES = new Set(ROW_FUNCTIONS.map(({ name }) => name));

/**
 * Compiles CEL (Common Expression Language) for one template. All numbers in a sheet are doubles,
 * so arithmetic between a double and a whole number is added to the language.
 */
export class Compiler {
  private readonly environment = new Environment({
    limits: { maxAstNodes: 800, maxDepth: 60, maxListElements: 200, maxMapEntries: 100 },
  });
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
    const handler = (...values: unknown[]): unknown =>
      run(
        ...(values.map((value, index) =>
          takes[index] === 'double' ? Number(value) : value,
        ) as never[]),
      );
    let overloads: string[][] = [[]];
    for (const type of takes)
      overloads = overloads.flatMap((before) =>
        (type === 'double' ? ['double', 'int'] : [type]).map((each) => [...before, each]),
      );
    for (const overload of overloads)
      this.environment.registerFunction(`${name}(${overload.join(', ')}): ${gives}`, handler);
  }

  private addMixedArithmetic(): void {
    const mixed: Record<string, (a: number, b: number) => number> = {
      '+': (a, b) => a + b,
      '-': (a, b) => a - b,
      '*': (a, b) => a * b,
      '/': (a, b) => a / b,
    };
    for (const [sign, compute] of Object.entries(mixed)) {
      const handler = (a: number | bigint, b: number | bigint): number =>
        compute(Number(a), Number(b));
      this.environment.registerOperator(`double ${sign} int: double`, handler);
      this.environment.registerOperator(`int ${sign} double: double`, handler);
    }
    const same = (a: number | bigint, b: number | bigint): boolean => Number(a) === Number(b);
    this.environment.registerOperator('double == int: bool', same);
  }

  /** Throws with a readable message when the expression has unknown names or wrong types. */
  compile(source: string, type: ProgramType): Program {
    const program = this.environment.parse(source);
    const checked = program.check();
    if (!checked.valid) throw new Error(firstLine(checked.error?.message ?? 'not an expression'));
    const found = checked.type ?? 'dyn';
    if (type === 'yes or no' && found !== 'bool' && found !== 'dyn')
      throw new Error(`it must say yes or no, but gives ${sayType(found)}`);
    if (type === 'number' && !['double', 'int', 'dyn'].includes(found))
      throw new Error(`it must give a number, but gives ${sayType(found)}`);
    const reads = readsOf(program.ast);
    const needsOne = onlyNamesIn(program.ast) ? [...reads.names] : null;
    return {
      source,
      reads,
      run: (answers) => {
        // Without any of its answers there is nothing to find out; failing costs far more.
        if (needsOne?.every((name) => answers[name] === undefined)) return undefined;
        try {
          const value: unknown = program(answers);
          if (typeof value === 'bigint') return Number(value);
          return typeof value === 'number' && !Number.isFinite(value) ? undefined : value;
        } catch {
          // An answer it needs is missing: it gives nothing yet.
          return undefined;
        }
      },
    };
  }
}

/** Words of the language, and names of its types such as `list`, read as something else. */
function readsAsVariable(environment: Environment, name: string): boolean {
  const checked = environment.parse(name).check();
  return checked.valid && checked.type !== 'type';
}

/** Whether a name means something in every expression, so that no question can be called so. */
export function isLanguageWord(name: string): boolean {
  if ((RESERVED_NAMES as readonly string[]).includes(name)) return true;
  try {
    return !readsAsVariable(new Environment().registerVariable(name, 'double'), name);
  } catch {
    return true;
  }
}

const firstLine = (text: string): string => text.split('\n')[0] ?? text;

const TYPE_WORDS: Record<string, string> = {
  string: 'words',
  double: 'a number',
  int: 'a number',
  bool: 'yes or no',
  list: 'a list',
  map: 'several values',
};
const sayType = (type: string): string => TYPE_WORDS[type.split('<')[0] ?? type] ?? type;

const isNode = (part: unknown): part is ASTNode =>
  typeof part === 'object' && part !== null && 'op' in part && 'args' in part;

function visit(node: ASTNode, see: (node: ASTNode) => boolean): void {
  if (!see(node)) return;
  const inside = (part: unknown): void => {
    if (Array.isArray(part)) part.forEach(inside);
    else if (isNode(part)) visit(part, see);
  };
  inside(node.args);
}

function readsOf(ast: ASTNode): Reads {
  const names = new Set<string>();
  const given = new Set<string>();
  const previous = new Set<string>();
  const columns: { rows: string; column: string | null }[] = [];
  let row = false;
  visit(ast, (node) => {
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
      else names.add(node.args);
    }
    return true;
  });
  return { names, given, previous, row, columns };
}

/** Whether it gives nothing at all when every variable in it is missing. */
function onlyNamesIn(ast: ASTNode): boolean {
  let only = true;
  let some = false;
  visit(ast, (node) => {
    const isTruth = node.op === 'value' && typeof node.args === 'boolean';
    const isMacro = node.op === 'rcall' || node.op === 'call';
    const isReserved =
      node.op === 'id' && (RESERVED_NAMES as readonly string[]).includes(node.args);
    if (node.op === 'id') some = true;
    if (isTruth || isMacro || isReserved) only = false;
    return only;
  });
  return only && some;
}
