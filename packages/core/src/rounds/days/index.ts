export { daysOfRule } from './days-of-rule.ts';
export { roundDays } from './round-days.ts';
