/** Where a visit stands on the board. */
export interface Placing {
  readonly person: string | null;
  readonly day: string;
  readonly start: number;
}

export interface Move {
  readonly visit: string;
  readonly from: Placing;
  readonly to: Placing;
}

/** What was planned in one go, said in words. */
export interface PlanStep {
  readonly words: string;
  readonly moves: readonly Move[];
}

/** What can be undone, the last first to go, and what was undone and can be done again. */
export interface PlanSteps {
  readonly done: readonly PlanStep[];
  readonly undone: readonly PlanStep[];
}

export const NO_STEPS: PlanSteps = { done: [], undone: [] };
/** So many steps can be undone. */
export const MOST_STEPS = 20;

/** Whether both are the same person, day and minute. */
export const isSamePlace = (a: Placing, b: Placing): boolean =>
  a.person === b.person && a.day === b.day && a.start === b.start;

/** A step that moves something; what was undone before it is gone. */
export function noteStep(steps: PlanSteps, step: PlanStep): PlanSteps {
  const moves = step.moves.filter(({ from, to }) => !isSamePlace(from, to));
  if (moves.length === 0) return steps;
  return { done: [...steps.done, { ...step, moves }].slice(-MOST_STEPS), undone: [] };
}

/** What puts everything back to where it stood before a step. */
export const backwards = ({ words, moves }: PlanStep): PlanStep => ({
  words,
  moves: [...moves].reverse().map(({ visit, from, to }) => ({ visit, from: to, to: from })),
});

/** The steps after the last one was undone. */
export function stepBack({ done, undone }: PlanSteps): PlanSteps {
  const last = done.at(-1);
  return last ? { done: done.slice(0, -1), undone: [...undone, last] } : { done, undone };
}

/** The steps after the last undone one was done again. */
export function stepAgain({ done, undone }: PlanSteps): PlanSteps {
  const last = undone.at(-1);
  return last ? { done: [...done, last], undone: undone.slice(0, -1) } : { done, undone };
}

/** The steps without the one that can't be undone, or done again, any more: somebody planned otherwise. */
export const giveUp = ({ done, undone }: PlanSteps, step: PlanStep): PlanSteps => ({
  done: done.filter((each) => each !== step),
  undone: undone.filter((each) => each !== step),
});
