export { type LanePoint, layLane, minutesLate, type Stop, type StopState } from './day.ts';
export { followUpDay, isFollowed } from './follow-up.ts';
export { hazardsOn, type Hazardous } from './hazards.ts';
export { jobState, UNPLANNED_MINUTES } from './job.ts';
export {
  JOB_DECISIONS,
  JOB_STATE_RULES,
  JOB_STATES,
  type JobDecision,
  type JobState,
  problemWithDecision,
  SETTLED_STATES,
} from './job-states.ts';
export { nextStep, type NextStep } from './next-step.ts';
export { isLeftOut, isTheirs, type PassableSheet, type Part, PARTS, sheetToGoOn } from './parts.ts';
export {
  shortfalls,
  type Absence,
  type Shortfall,
  type Worker,
  type WorkingHours,
  type WorkTime,
} from './suits.ts';
export { holdsOf, type LoadOf } from './loads.ts';
export { isUnsigned, type SigningKnown } from './signing.ts';
export { estimateTravelMinutes, estimateWay } from './travel.ts';
export {
  hasSaid,
  isOver,
  lastTry,
  type SaidStep,
  turningBack,
  visitsInOrder,
  VISIT_STEPS,
  visitStanding,
  type VisitStanding,
  type VisitStep,
} from './visit.ts';
