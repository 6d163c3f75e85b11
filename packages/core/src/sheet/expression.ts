import { Environment, type ASTNode } from '@marcbachmann/cel-js';
import type { Question, QuestionKind } from './template.ts';

/** What a question is in an expression. Photos and signatures can't be computed with. */
const CEL_TYPE: Record<QuestionKind, string | null> = {
  yesNo: 'string',
  choice: 'string',
  choices: 'list<string>',
  number: 'double',
  text: 'string',
  date: 'string',
  acknowledge: 'bool',
  photo: null,
  signature: null,
};

/** Answers by question key; only questions that are asked and answered are in it. */
export type AnswerContext = Record<string, unknown>;

export interface Condition {
  readonly dependsOn: readonly string[];
  /** False while what it needs is not known yet. */
  readonly holds: (answers: AnswerContext) => boolean;
}

/** Compiles the conditions of one template. All numbers in a sheet are doubles. */
export class ConditionCompiler {
  private readonly environment: Environment;
  /** Keys that are words of the expression language itself, or stand twice. */
  readonly unusableKeys: string[] = [];

  constructor(questions: readonly Question[]) {
    this.environment = new Environment({
      limits: {
        maxAstNodes: 500,
        maxDepth: 40,
        maxListElements: 100,
        maxMapEntries: 50,
      },
    });
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
    this.environment.registerOperator(
      'double == int: bool',
      (a: number, b: bigint) => a === Number(b),
    );
    for (const question of questions) {
      const type = CEL_TYPE[question.kind];
      if (!type) continue;
      try {
        this.environment.registerVariable(question.key, type);
      } catch {
        this.unusableKeys.push(question.key);
      }
    }
  }

  /** Throws with a readable message when the expression has unknown names or wrong types. */
  compile(source: string): Condition {
    const program = this.environment.parse(source);
    const checked = program.check();
    if (!checked.valid) throw new Error(firstLine(checked.error?.message ?? 'not an expression'));
    if (checked.type !== 'bool' && checked.type !== 'dyn')
      throw new Error(`it must say yes or no, but gives ${checked.type ?? 'something else'}`);
    return {
      dependsOn: [...namesIn(program.ast)],
      holds: (answers) => {
        try {
          return program(answers) === true;
        } catch {
          // An answer it needs is missing: the condition does not hold yet.
          return false;
        }
      },
    };
  }
}

const firstLine = (text: string): string => text.split('\n')[0] ?? text;

function namesIn(node: ASTNode, names = new Set<string>()): Set<string> {
  if (node.op === 'id') return names.add(node.args);
  const visit = (part: unknown): void => {
    if (Array.isArray(part)) part.forEach(visit);
    else if (isNode(part)) namesIn(part, names);
  };
  visit(node.args);
  return names;
}

const isNode = (part: unknown): part is ASTNode =>
  typeof part === 'object' && part !== null && 'op' in part && 'args' in part;
