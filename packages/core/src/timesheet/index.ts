export {
  CLOCK_STEPS,
  clockDay,
  type ClockDay,
  type ClockEntry,
  type ClockState,
  type ClockStep,
  countsUntil,
  isForgotten,
  minutesIn,
  nextSteps,
  type Span,
  whatCounts,
  workedMinutes,
} from './clock.ts';
export { timeAtVisit, type AtVisit, type SiteTime, type TimedStep } from './on-site.ts';
