/** A function an expression may call, as the template builder describes it. */
export interface FunctionOffer {
  readonly name: string;
  /** CEL types of what it takes and gives. Where it takes a double, a whole number will do. */
  readonly takes: readonly string[];
  readonly gives: string;
  /** How it is called, as in `loopLimit(curve, rating)`. */
  readonly usage: string;
  /** What it gives, with units and the source of its figures. */
  readonly about: string;
  readonly run: (...given: never[]) => unknown;
}
