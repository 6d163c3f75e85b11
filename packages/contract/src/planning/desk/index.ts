/** What the office alone asks and says of planning: no phone needs to load it. */
export { SigningDraft } from './signing.ts';
export {
  BoardAnswer,
  BoardPeople,
  BoardQuery,
  BoardStop,
  BoardWays,
  CalendarAnswer,
  CalendarQuery,
  MOST_STOPS,
  PlannerHere,
  PlannersAnswer,
  type CalendarDay,
} from './board.ts';
export { ClientRule, ClientRules } from './client-rules.ts';
export { ManyJobs, ManyJobsMade, MOST_AT_ONCE } from './many-jobs.ts';
export { DayChange, MOST_IN_ORDER, NotPlaced, OrderAnswer, OrderAsk, PlansTaken } from './order.ts';
export { Shortfall, SuitingAnswer, SuitingQuery } from './suiting.ts';

export * from './jobs.ts';
