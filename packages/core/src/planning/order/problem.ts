/** Minutes of the day between which something may begin, both ends included. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Work to be done somewhere. Times are in minutes; any other unit does where all are in it. */
export interface OrderStop {
  readonly id: string;
  /** Which of the places of the travel table it is at. */
  readonly place: number;
  /** How long the work takes. */
  readonly minutes: number;
  /** When it may begin: one of these, in order and apart; any time where there are none. */
  readonly windows?: readonly Span[];
  /** What it takes of each measure of a vehicle, such as kilograms and boxes. */
  readonly takes?: readonly number[];
  /** How much it matters that it is done at all: 2 counts as two stops of 1. Usually 1. */
  readonly priority?: number;
  /** What a window stands for was promised to somebody: of equal orders, the one that is there earlier wins. */
  readonly promised?: boolean;
  /**
   * How many minutes on the way it is worth not to give it to a person, by their index: 0 where they
   * suit, more where somebody else was there last time, Infinity where they can't do it at all.
   */
  readonly against?: readonly number[];
}

/** Somebody who walks from stop to stop. */
export interface Walker {
  readonly id: string;
  /** Where their day begins: one of the places. */
  readonly start: number;
  /** Where it ends; null where that does not matter. */
  readonly end: number | null;
  /** Between these they work. */
  readonly from: number;
  readonly to: number;
  /** Nobody works or travels in these, in order and apart; both can go on afterwards. */
  readonly breaks?: readonly Span[];
  /** What their vehicle holds of each measure; all of it where it is left out. */
  readonly holds?: readonly number[];
  /** Stops that stay theirs, first and in this order: what is begun, or fixed. By index. */
  readonly first?: readonly number[];
  /** Stops that stay theirs, last and in this order. By index. */
  readonly last?: readonly number[];
}

export interface OrderProblem {
  readonly stops: readonly OrderStop[];
  readonly walkers: readonly Walker[];
  /** How many places there are. */
  readonly places: number;
  /** Minutes from one place to another, row by row: `travel[from * places + to]`. */
  readonly travel: ArrayLike<number>;
  /**
   * How much an even share of the work is worth: 0 not at all; with 1, a minute more for somebody
   * whose day is as long as the average costs another minute. The minutes of everybody count.
   */
  readonly evenness?: number;
}

/** One stop within somebody's trail. */
export interface PlacedStop {
  readonly stop: number;
  readonly arrives: number;
  /** When the work begins: later than arriving where one waits for a window. */
  readonly begins: number;
  readonly leaves: number;
}

/** One person's day in an order. */
export interface OrderedTrail {
  readonly walker: number;
  readonly stops: readonly PlacedStop[];
  /** Minutes on the way, to the end place included. */
  readonly travel: number;
  /** When they are at their end. */
  readonly ends: number;
}

export interface Order {
  readonly trails: readonly OrderedTrail[];
  /** Stops nobody could be given, by index. */
  readonly unplaced: readonly number[];
  /** Minutes on the way of all together. */
  readonly travel: number;
  /** What the search makes small: travel, what speaks against persons, unevenness, and stops left out. */
  readonly cost: number;
}

/** Who goes where, in which order: for each walker the indexes of their stops. */
export type Sequence = readonly (readonly number[])[];
