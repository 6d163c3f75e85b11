import { PlansAnswer } from '@ant-trail/contract/planning/desk';
import {
  backwards,
  giveUp,
  NO_STEPS,
  noteStep,
  stepAgain,
  stepBack,
  type Placing,
  type PlanStep,
  type PlanSteps,
} from '@ant-trail/core/planning/board';
import { create } from 'zustand';
import { ask, Refused, wordsFor } from '@/device/api.ts';

interface StepsState {
  /** Whose steps these are. */
  readonly of: string | null;
  readonly steps: PlanSteps;
  /** Where visits are shown until the office's own answer says so. */
  readonly pending: ReadonlyMap<string, Placing>;
  readonly sending: boolean;
  readonly problem: string | null;
  /** What was done last, for whoever does not see it. */
  readonly said: string;
}

const NOTHING: ReadonlyMap<string, Placing> = new Map();
const EMPTY: StepsState = {
  ...{ of: null, steps: NO_STEPS, pending: NOTHING, sending: false, problem: null, said: '' },
};

/** What was planned at this desk, and can be undone as long as nobody planned otherwise. */
export const usePlanSteps = create<StepsState>(() => EMPTY);

const set = usePlanSteps.setState;

/** Steps are those of whoever sits here: the next one undoes nothing of theirs. */
export function stepsOf(person: string): void {
  if (usePlanSteps.getState().of !== person) set({ ...EMPTY, of: person });
}

/** Another day is looked at: what was said of the one before is over. */
export const hushSteps = (): void => set({ said: '', problem: null });

/** The office's answer has come: it says itself where everything stands. */
export function answerCame(): void {
  const { sending, pending } = usePlanSteps.getState();
  if (!sending && pending.size > 0) set({ pending: NOTHING });
}

/** What was planned by another door, such as a dialog. */
export const noteDone = (step: PlanStep): void =>
  set(({ steps }) => ({ steps: noteStep(steps, step), problem: null }));

async function send({ moves }: PlanStep): Promise<void> {
  const [first] = moves;
  if (!first) return;
  set({
    ...{ sending: true, problem: null },
    pending: new Map(moves.map(({ visit, to }) => [visit, to])),
  });
  try {
    await ask(PlansAnswer, 'POST', '/api/plans', {
      day: first.to.day,
      plans: moves.map(({ visit, from, to }) => ({ visit, was: from, ...to })),
    });
    set({ sending: false });
  } catch (error) {
    set({ sending: false, pending: NOTHING, problem: wordsFor(error) });
    throw error;
  }
}

/** One after the other, in the order they were asked for: whoever is quick loses nothing. */
let line: Promise<unknown> = Promise.resolve();
function inLine<Result>(work: () => Promise<Result>): Promise<Result> {
  const done = line.then(work);
  line = done.catch(() => undefined);
  return done;
}

/** Plans something; gives whether the office took it. */
export const takeStep = (step: PlanStep): Promise<boolean> =>
  inLine(async () => {
    try {
      await send(step);
    } catch {
      return false;
    }
    set(({ steps }) => ({ steps: noteStep(steps, step), said: step.words }));
    return true;
  });

async function along(
  step: PlanStep | undefined,
  sent: (step: PlanStep) => PlanStep,
  after: (steps: PlanSteps) => PlanSteps,
  word: string,
): Promise<void> {
  if (!step) return;
  try {
    await send(sent(step));
    set(({ steps }) => ({ steps: after(steps), said: `${word}: ${step.words}` }));
  } catch (error) {
    // Somebody planned otherwise since: this one can't be undone any more, those before it can.
    if (error instanceof Refused) set(({ steps }) => ({ steps: giveUp(steps, step) }));
  }
}

export const undoStep = (): Promise<void> =>
  inLine(() => along(usePlanSteps.getState().steps.done.at(-1), backwards, stepBack, 'Undone'));

export const redoStep = (): Promise<void> =>
  inLine(() =>
    along(usePlanSteps.getState().steps.undone.at(-1), (step) => step, stepAgain, 'Done again'),
  );
