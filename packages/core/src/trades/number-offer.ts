import type { FunctionOffer } from '../logic/index.ts';

/** A function of numbers that gives a number, called as its usage says; what it takes besides is said. */
export function numberOffer(
  usage: string,
  about: string,
  run: FunctionOffer['run'],
  takes?: readonly string[],
): FunctionOffer {
  const [name = '', given = ''] = usage.split(/[()]/);
  const numbers = given.split(',').map(() => 'double');
  return { name, takes: takes ?? numbers, gives: 'double', usage, about, run };
}
