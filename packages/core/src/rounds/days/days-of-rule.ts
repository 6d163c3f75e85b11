import { RRuleTemporal } from 'rrule-temporal';
import { Temporal } from 'temporal-polyfill';
import { problemWithRule } from '../rule.ts';

/**
 * The days a rule falls on between two days, both included; none before the one it begins on. Throws an
 * Error for what `problemWithRule` finds fault with, and for one that takes too long.
 */
export function daysOfRule(rule: string, begins: string, from: string, to: string): string[] {
  const problem = problemWithRule(rule);
  if (problem) throw new Error(problem);
  if (to < begins || to < from) return [];
  const first = from > begins ? from : begins;
  const days = new RRuleTemporal({
    rruleString: `DTSTART;VALUE=DATE:${begins.replaceAll('-', '')}\nRRULE:${rule}`,
    temporal: Temporal,
  }).between(new Date(`${first}T00:00:00Z`), new Date(`${to}T00:00:00Z`), true);
  return days.map((day) => day.toPlainDate().toString());
}
