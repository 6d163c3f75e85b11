export { legsOf, type RoundLeg, type RoundStop } from './legs.ts';
export { readRhythm, type RhythmRead } from './read-rhythm.ts';
export {
  type DayOfMonth,
  type Rhythm,
  rhythmOf,
  ruleOf,
  type Weekday,
  WEEKDAYS,
} from './rhythm.ts';
export { sayRhythm, sayRule } from './say-rhythm.ts';
export { WALK_STANDINGS, walkStanding, type WalkStanding } from './standing.ts';
export { ON_HOLIDAYS, type OnHolidays, type RoundDay, type RoundRhythm } from './round-rhythm.ts';
export { problemWithRule, readRule, type RuleRead } from './rule.ts';
