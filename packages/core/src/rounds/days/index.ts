export { roundDays } from './round-days.ts';
export { daysOfRule, problemWithRule, readRule, type RuleRead } from './rule.ts';
