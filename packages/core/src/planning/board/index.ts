export { byHour, isAhead, isPast, type BoardVisit, type WayMinutes } from './board-visit.ts';
export { hoursOn, loadOf, type Load } from './load.ts';
export { makeRoom, PLAN_STEP, planMinute } from './make-room.ts';
export { misfits, type Hours, type Misfit } from './misfits.ts';
export {
  backwards,
  giveUp,
  isSamePlace,
  MOST_STEPS,
  type Move,
  NO_STEPS,
  noteStep,
  type Placing,
  type PlanStep,
  type PlanSteps,
  stepAgain,
  stepBack,
} from './plan-steps.ts';
