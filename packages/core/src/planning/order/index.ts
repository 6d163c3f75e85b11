export {
  betterDay,
  type BetterDayOptions,
  type DayChange,
  type DayOrder,
  type NotPlaced,
  type OnTheWay,
} from './better-day.ts';
export type { DayOfWork, DayPerson, DayVisit, Ways } from './day.ts';
export { type Change, changesBetween, farness, type TrailChange, walkedIn } from './gain.ts';
export { hoursOfDay, promisedSpan } from './known-day.ts';
export { whyLeftOut, type WhyLeftOut } from './left-out.ts';
export type {
  Order,
  OrderedTrail,
  OrderProblem,
  OrderStop,
  PlacedStop,
  Sequence,
  Span,
  Walker,
} from './problem.ts';
export { OrderSearch, type SearchOptions } from './search.ts';
export { seekOrder, type SeekOptions } from './seek.ts';
export { isToOrder, standingOf, type SteppedVisit } from './standing.ts';
export { waysAmong } from './ways-among.ts';
