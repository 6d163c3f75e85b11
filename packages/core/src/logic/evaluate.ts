import type { ASTNode } from '@marcbachmann/cel-js';
import { addDecimal, compareDecimal, remainderDecimal } from '../measure/index.ts';
import type { Meter } from './meter.ts';
import { METHODS } from './methods.ts';

/** What takes the place of a value: an answer it needs is missing. */
export class Missing {
  readonly missing = true;
}
export const MISSING = new Missing();

/** What takes the place of a value: it can't be computed, and why. */
export class Failed {
  constructor(readonly words: string) {}
}

const isTrouble = (value: unknown): value is Missing | Failed =>
  value instanceof Missing || value instanceof Failed;

/** Where an expression is evaluated: the answers around it, and what its macros name. */
export interface Place {
  readonly answers: Readonly<Record<string, unknown>>;
  readonly meter: Meter;
  /** The items macros are at, innermost last. */
  readonly items: unknown[];
}

/** An expression made ready. Gives its value, or {@link Missing} or {@link Failed} in its place. */
export type Evaluation = (place: Place) => unknown;

/** A function expressions may call: it throws where it can't give a value. */
export type Callable = (...given: unknown[]) => unknown;

/**
 * Makes expressions of CEL's syntax tree ready. Numbers are what they are in decimals: every literal
 * is one kind of number, and no digits appear that nobody wrote. `&&`, `||`, `?:`, `all` and `exists`
 * absorb what is missing where the rest decides alone, as the CEL language definition says
 * (github.com/google/cel-spec, doc/langdef.md; recalled from memory).
 */
export class Evaluator {
  constructor(private readonly functions: ReadonlyMap<string, Callable>) {}

  /** Throws an Error with words for what the language here does not offer. */
  prepare(ast: ASTNode): Evaluation {
    return this.make(ast, []);
  }

  private make(node: ASTNode, names: readonly string[]): Evaluation {
    const make = (inner: ASTNode): Evaluation => this.make(inner, names);
    switch (node.op) {
      case 'value':
        return constant(literal(node.args));
      case 'id':
        return variable(node.args, names);
      case '.':
        return field(node.args[0], node.args[1], make);
      case '[]':
        return element(make(node.args[0]), make(node.args[1]));
      case 'list':
        return list(node.args.map(make));
      case 'map':
        return map(node.args.map(([key, value]) => [make(key), make(value)] as const));
      case '?:':
        return choice(make(node.args[0]), make(node.args[1]), make(node.args[2]));
      case '||':
        return either(make(node.args[0]), make(node.args[1]), true);
      case '&&':
        return either(make(node.args[0]), make(node.args[1]), false);
      case '!_':
        return strict([make(node.args)], ([value]) =>
          typeof value === 'boolean' ? !value : new Failed('only yes or no can be turned round'),
        );
      case '-_':
        return strict([make(node.args)], ([value]) =>
          typeof value === 'number' ? 0 - value : new Failed('only a number can be negative'),
        );
      case 'call':
        return this.call(node.args[0], node.args[1], make);
      case 'rcall':
        return this.method(node.args[0], node.args[1], node.args[2], names);
      case '.?':
      case '[?]':
        throw new Error('optional values are not offered here');
      default:
        return binary(node.op, make(node.args[0]), make(node.args[1]));
    }
  }

  private call(
    name: string,
    given: readonly ASTNode[],
    make: (node: ASTNode) => Evaluation,
  ): Evaluation {
    if (name === 'has') return has(given[0], make);
    const run = this.functions.get(name);
    if (!run) throw new Error(`${name}() is not offered here`);
    return called(name, given.map(make), (_, ...values: readonly unknown[]) => run(...values));
  }

  private method(
    name: string,
    receiver: ASTNode,
    given: readonly ASTNode[],
    names: readonly string[],
  ): Evaluation {
    const of = this.make(receiver, names);
    const [first, ...bodies] = given;
    if (MACROS.has(name) && first?.op === 'id' && bodies.length > 0) {
      const inner = [...names, first.args];
      return comprehension(
        name,
        of,
        bodies.map((body) => this.make(body, inner)),
        bodies.reduce((sum, body) => sum + countNodes(body), 1),
      );
    }
    if (name === 'bind' && receiver.op === 'id' && receiver.args === 'cel')
      return this.bind(given, names);
    const run = METHODS.get(name);
    if (!run) throw new Error(`${name}() is not offered here`);
    return called(
      name,
      [of, ...given.map((each) => this.make(each, names))],
      (meter, value, ...rest) => run(meter, value, ...rest),
    );
  }

  private bind([name, value, body]: readonly ASTNode[], names: readonly string[]): Evaluation {
    if (name?.op !== 'id' || !value || !body)
      throw new Error('bind needs a name, a value and a use');
    const bound = this.make(value, names);
    const use = this.make(body, [...names, name.args]);
    return (place) => within(place, bound(place), use);
  }
}

const constant =
  (value: unknown): Evaluation =>
  () =>
    value;

/** Every number is one kind of number, however it was written. */
function literal(value: unknown): unknown {
  if (typeof value === 'bigint') return Number(value);
  if (typeof value === 'object' && value !== null && 'valueOf' in value) {
    const plain: unknown = value.valueOf();
    if (typeof plain === 'bigint') return Number(plain);
  }
  return value;
}

function variable(name: string, names: readonly string[]): Evaluation {
  const depth = names.lastIndexOf(name);
  if (depth >= 0) return ({ items }) => items[depth];
  return ({ answers }) => {
    const value = answers[name];
    return value === undefined ? MISSING : value;
  };
}

/** Runs something with one more named item. */
function within(place: Place, item: unknown, use: Evaluation): unknown {
  place.items.push(item);
  try {
    return use(place);
  } finally {
    place.items.pop();
  }
}

/** What a map holds under a key of its own; members every object has are none of them. */
function held(of: unknown, key: string): unknown {
  if (typeof of !== 'object' || of === null || Array.isArray(of))
    return new Failed(`there is no “${key}” in it`);
  return Object.hasOwn(of, key) ? (of as Record<string, unknown>)[key] : MISSING;
}

const isGiven = (node: ASTNode): boolean => node.op === 'id' && node.args === 'given';

/** A row also knows what is given around it: that is inherited, and never copied. */
const isGivenIn = (given: unknown, key: string): boolean =>
  typeof given === 'object' && given !== null && (given as Record<string, unknown>)[key] === true;

function field(of: ASTNode, key: string, make: (node: ASTNode) => Evaluation): Evaluation {
  const holder = make(of);
  // Whether something is given is always known.
  if (isGiven(of)) return (place) => isGivenIn(holder(place), key);
  return strict([holder], ([value]) => held(value, key) ?? MISSING);
}

function has(node: ASTNode | undefined, make: (node: ASTNode) => Evaluation): Evaluation {
  if (node?.op !== '.') throw new Error('has() asks for a field, as in has(part.maker)');
  const [of, key] = node.args;
  const holder = make(of);
  if (isGiven(of)) return (place) => isGivenIn(holder(place), key);
  return strict([holder], ([value]) => {
    const found = held(value, key);
    return !(found instanceof Missing) && found !== undefined ? !(found instanceof Failed) : false;
  });
}

const element = (of: Evaluation, at: Evaluation): Evaluation =>
  strict([of, at], ([holder, key]) => {
    if (Array.isArray(holder))
      return typeof key === 'number' && Number.isInteger(key) && key >= 0 && key < holder.length
        ? (holder[key] as unknown)
        : new Failed('the list is not that long');
    return typeof key === 'string' ? held(holder, key) : new Failed('there is nothing under that');
  });

/** Computes only when all it needs is there. */
const strict =
  (parts: readonly Evaluation[], compute: (values: readonly unknown[], place: Place) => unknown) =>
  (place: Place): unknown => {
    const values: unknown[] = [];
    for (const part of parts) {
      const value = part(place);
      if (isTrouble(value)) return value;
      values.push(value);
    }
    return compute(values, place);
  };

const list = (parts: readonly Evaluation[]): Evaluation => strict(parts, (values) => values);

const map = (entries: readonly (readonly [Evaluation, Evaluation])[]): Evaluation =>
  strict(entries.flat(), (values) => {
    const made = Object.create(null) as Record<string, unknown>;
    for (let i = 0; i < values.length; i += 2) made[String(values[i])] = values[i + 1];
    return made;
  });

const choice =
  (condition: Evaluation, yes: Evaluation, no: Evaluation): Evaluation =>
  (place) => {
    const decided = condition(place);
    if (isTrouble(decided)) return decided;
    if (typeof decided !== 'boolean') return new Failed('a choice needs yes or no');
    return decided ? yes(place) : no(place);
  };

/** `||` when `decides` is true, `&&` when it is false: one side that decides is enough. */
const either =
  (left: Evaluation, right: Evaluation, decides: boolean): Evaluation =>
  (place) => {
    const one = left(place);
    if (one === decides) return decides;
    const other = right(place);
    if (other === decides) return decides;
    const plain = one === !decides && other === !decides;
    if (plain) return !decides;
    return isTrouble(one) ? one : isTrouble(other) ? other : new Failed('needs yes or no');
  };

const SIGNS = new Set(['<', '<=', '>', '>=']);

function binary(op: string, left: Evaluation, right: Evaluation): Evaluation {
  if (op === '==') return strict([left, right], ([a, b]) => isSame(a, b));
  if (op === '!=') return strict([left, right], ([a, b]) => !isSame(a, b));
  if (op === 'in') return strict([left, right], isIn);
  if (SIGNS.has(op)) return strict([left, right], ([a, b]) => comparison(op, a, b));
  return strict([left, right], ([a, b], { meter }) =>
    typeof a === 'number' && typeof b === 'number' ? arithmetic(op, a, b) : joined(op, a, b, meter),
  );
}

function arithmetic(op: string, a: number, b: number): unknown {
  switch (op) {
    case '+':
      return addDecimal(a, b);
    case '-':
      return addDecimal(a, -b);
    case '*':
      return a * b;
    case '/':
      return b === 0 ? new Failed('nothing can be divided by 0') : a / b;
    case '%':
      return b === 0 ? new Failed('nothing can be divided by 0') : remainderDecimal(a, b);
    default:
      return new Failed(`${op} is not offered here`);
  }
}

function joined(op: string, a: unknown, b: unknown, meter: Meter): unknown {
  if (op === '+' && typeof a === 'string' && typeof b === 'string') {
    meter.take((a.length + b.length) >> 4);
    return a + b;
  }
  if (op === '+' && Array.isArray(a) && Array.isArray(b)) {
    meter.take(a.length + b.length);
    return [...(a as unknown[]), ...(b as unknown[])];
  }
  return new Failed('it computes with something that is no number');
}

function comparison(op: string, a: unknown, b: unknown): unknown {
  const order =
    typeof a === 'number' && typeof b === 'number'
      ? compareDecimal(a, b)
      : typeof a === 'string' && typeof b === 'string'
        ? a < b
          ? -1
          : Number(a > b)
        : null;
  if (order === null) return new Failed('it compares what can’t be compared');
  return op === '<' ? order < 0 : op === '<=' ? order <= 0 : op === '>' ? order > 0 : order >= 0;
}

/** Equal as people mean it: numbers in decimals, lists and maps part by part. */
function isSame(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return compareDecimal(a, b) === 0;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((item, at) => isSame(item, b[at]));
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  if (Array.isArray(a) || Array.isArray(b)) return false;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => Object.hasOwn(b, key) && isSame(held(a, key), held(b, key)))
  );
}

function isIn([item, of]: readonly unknown[], { meter }: Place): unknown {
  if (Array.isArray(of)) {
    meter.take(of.length);
    return of.some((each) => isSame(each, item));
  }
  return typeof of === 'object' && of !== null && typeof item === 'string'
    ? Object.hasOwn(of, item)
    : new Failed('only a list can hold it');
}

type Run = (meter: Meter, ...values: unknown[]) => unknown;

function called(name: string, parts: readonly Evaluation[], run: Run): Evaluation {
  return strict(parts, (values, { meter }) => {
    meter.take(1 + sizeOf(values[0]));
    try {
      const value = run(meter, ...values);
      if (typeof value === 'number' && Number.isNaN(value))
        return new Failed(`${name}() has no result`);
      return value;
    } catch (error) {
      if (error instanceof Error && error.name === 'OverBudget') throw error;
      return new Failed(error instanceof Error ? error.message : `${name}() failed`);
    }
  });
}

/** What going through something once costs, in steps. */
function sizeOf(value: unknown): number {
  if (Array.isArray(value)) return value.length;
  return typeof value === 'string' ? value.length >> 4 : 0;
}

/** Macros that go through a list. */
export const MACROS = new Set(['all', 'exists', 'exists_one', 'map', 'filter']);

function comprehension(
  name: string,
  of: Evaluation,
  bodies: readonly Evaluation[],
  stepCost: number,
): Evaluation {
  const [first, second] = bodies;
  if (!first) throw new Error(`${name}() needs something to do with each`);
  const through = (place: Place, see: (item: unknown) => unknown): unknown => {
    const items = of(place);
    if (isTrouble(items)) return items;
    if (!Array.isArray(items)) return new Failed(`${name}() goes through a list`);
    for (const item of items as unknown[]) {
      place.meter.take(stepCost);
      const end = see(item);
      if (end !== undefined) return end;
    }
    return undefined;
  };
  switch (name) {
    case 'all':
    case 'exists':
      return (place) => {
        const decides = name === 'exists';
        let trouble: unknown;
        const end = through(place, (item) => {
          const said = within(place, item, first);
          if (isTrouble(said)) trouble ??= said;
          return said === decides ? decides : undefined;
        });
        return end ?? trouble ?? !decides;
      };
    case 'exists_one':
      return (place) => {
        let found = 0;
        const end = through(place, (item) => {
          const said = within(place, item, first);
          if (said === true) found++;
          return isTrouble(said) ? said : undefined;
        });
        return end ?? found === 1;
      };
    default:
      return (place) => {
        const made: unknown[] = [];
        const filters = name === 'filter' || second !== undefined;
        const end = through(place, (item) => {
          const said = within(place, item, first);
          if (isTrouble(said)) return said;
          if (filters && said !== true) return undefined;
          const value = name === 'filter' ? item : second ? within(place, item, second) : said;
          if (isTrouble(value)) return value;
          made.push(value);
          return undefined;
        });
        return end ?? made;
      };
  }
}

/** How many nodes an expression has: what one evaluation of it costs without its lists. */
export function countNodes(node: ASTNode): number {
  let count = 0;
  const inside = (part: unknown): void => {
    if (Array.isArray(part)) part.forEach(inside);
    else if (typeof part === 'object' && part !== null && 'op' in part && 'args' in part) {
      count++;
      inside(part.args);
    }
  };
  inside(node);
  return count;
}
