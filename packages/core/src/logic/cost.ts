import type { ASTNode } from '@marcbachmann/cel-js';
import { countNodes, MACROS } from './evaluate.ts';
import { STEP_BUDGET } from './meter.ts';

/** How large what an expression reads can become at most: rows of a group, options, characters. */
export type SizeOf = (name: string) => number;

/** The most characters a written answer has. */
export const LONGEST_WORDS = 10_000;

/** The most characters an item of a list has, such as a choice: pieces of long words aside. */
const ITEM = 200;

interface Worst {
  readonly cost: number;
  /** How many items or characters its value can have. */
  readonly size: number;
}

/** Functions that give one thing, however large what they are given. */
const GIVES_MANY = new Set([
  'split',
  'map',
  'filter',
  'substring',
  'trim',
  'lowerAscii',
  'upperAscii',
]);

/**
 * What an expression costs at worst, in steps, by the sizes its variables can reach. Above
 * {@link STEP_BUDGET} it would be stopped somewhere, some day: such a template is not published.
 */
export const worstCost = (ast: ASTNode, sizeOf: SizeOf): number => costOf(ast, sizeOf).cost;

export const isAffordable = (ast: ASTNode, sizeOf: SizeOf): boolean =>
  worstCost(ast, sizeOf) <= STEP_BUDGET;

const add = (parts: readonly Worst[], own = 1): number =>
  parts.reduce((sum, { cost }) => sum + cost, own);

const largest = (parts: readonly Worst[]): number =>
  parts.reduce((most, { size }) => Math.max(most, size), 1);

function costOf(node: ASTNode, sizeOf: SizeOf): Worst {
  const of = (inner: ASTNode): Worst => costOf(inner, sizeOf);
  switch (node.op) {
    case 'value':
      return { cost: 1, size: typeof node.args === 'string' ? node.args.length : 1 };
    case 'id':
      return { cost: 1, size: sizeOf(node.args) };
    case '.':
    case '.?':
      // A field may be a row group in a row; its key is its name.
      return { cost: of(node.args[0]).cost + 1, size: sizeOf(node.args[1]) };
    case '[]':
    case '[?]': {
      const parts = node.args.map(of);
      return { cost: add(parts), size: LONGEST_WORDS };
    }
    case 'list': {
      const parts = node.args.map(of);
      return { cost: add(parts), size: parts.length };
    }
    case 'map': {
      const parts = node.args.flat().map(of);
      return { cost: add(parts), size: parts.length };
    }
    case '?:':
    case '||':
    case '&&': {
      const parts = node.args.map(of);
      return { cost: add(parts), size: largest(parts) };
    }
    case '!_':
    case '-_':
      return { cost: of(node.args).cost + 1, size: 1 };
    case 'call': {
      const parts = node.args[1].map(of);
      return { cost: add(parts, 1 + (parts[0]?.size ?? 0)), size: 1 };
    }
    case 'rcall':
      return costOfMethod(node.args, sizeOf);
    case '+': {
      const parts = node.args.map(of);
      const size = parts.reduce((sum, part) => sum + part.size, 0);
      // Words are put together many letters at a time, lists item by item.
      const isList = node.args.some(({ op }) => op === 'list' || op === 'rcall');
      return { cost: add(parts, 1 + (isList ? size : size >> 4)), size };
    }
    default: {
      const parts = node.args.map(of);
      return { cost: add(parts, 1 + (node.op === 'in' ? (parts[1]?.size ?? 0) : 0)), size: 1 };
    }
  }
}

function costOfMethod(
  [name, receiver, given]: readonly [string, ASTNode, readonly ASTNode[]],
  sizeOf: SizeOf,
): Worst {
  const whole = costOf(receiver, sizeOf);
  const [first, ...bodies] = given;
  if (MACROS.has(name) && first?.op === 'id') {
    const own = first.args;
    // An item may be words, or a row with groups of its own: those are found by their names.
    const item = receiver.op === 'rcall' && receiver.args[0] === 'split' ? LONGEST_WORDS : ITEM;
    const inner: SizeOf = (each) => (each === own ? item : sizeOf(each));
    const each = bodies.map((body) => costOf(body, inner));
    const nodes = bodies.reduce((sum, body) => sum + countNodes(body), 1);
    return {
      cost: whole.cost + 1 + whole.size * (nodes + add(each)),
      size: name === 'map' || name === 'filter' ? whole.size : 1,
    };
  }
  const parts = given.map((inner) => costOf(inner, sizeOf));
  const own =
    name === 'matches' ? ((whole.size + 1) * ((parts[0]?.size ?? 0) + 1)) >> 6 : whole.size;
  return {
    cost: whole.cost + add(parts, 1 + own),
    size: GIVES_MANY.has(name) ? whole.size : name === 'join' ? LONGEST_WORDS : 1,
  };
}
