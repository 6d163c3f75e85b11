import { readRhythm } from './read-rhythm.ts';
import { ruleOf } from './rhythm.ts';

/** Parts of a rule that make days, and how each is written (RFC 5545, 3.3.10). */
const PARTS: Readonly<Record<string, RegExp>> = {
  FREQ: /^(DAILY|WEEKLY|MONTHLY|YEARLY)$/,
  INTERVAL: /^[1-9]\d{0,2}$/,
  COUNT: /^[1-9]\d{0,3}$/,
  UNTIL: /^\d{4}(0[1-9]|1[0-2])(0[1-9]|[12]\d|3[01])$/,
  WKST: /^(MO|TU|WE|TH|FR|SA|SU)$/,
  BYDAY: /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)(,([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU))*$/,
  BYMONTHDAY: /^-?([1-9]|[12]\d|3[01])(,-?([1-9]|[12]\d|3[01]))*$/,
  BYMONTH: /^([1-9]|1[0-2])(,([1-9]|1[0-2]))*$/,
  BYYEARDAY: /^-?[1-9]\d{0,2}(,-?[1-9]\d{0,2})*$/,
  BYWEEKNO: /^-?[1-9]\d?(,-?[1-9]\d?)*$/,
  BYSETPOS: /^-?[1-9]\d{0,2}(,-?[1-9]\d{0,2})*$/,
};
/** Longer rules than anybody writes. */
const MOST_LETTERS = 300;

/** Why something is no rule that days can be made of, in words; null where it is one. */
export function problemWithRule(rule: string): string | null {
  if (rule.length > MOST_LETTERS) return 'This rule is too long.';
  const seen = new Set<string>();
  for (const part of rule.split(';')) {
    const [key = '', value = '', ...more] = part.split('=');
    const written = Object.hasOwn(PARTS, key) ? PARTS[key] : undefined;
    if (!written || more.length > 0 || !written.test(value))
      return `“${part}” is no part of a rule that makes days (RFC 5545).`;
    if (seen.has(key)) return `“${key}” stands in the rule twice.`;
    seen.add(key);
  }
  if (!seen.has('FREQ')) return 'A rule begins with how often: FREQ=WEEKLY, for one.';
  if (seen.has('COUNT') && seen.has('UNTIL'))
    return 'Say either until when or how often, not both.';
  return null;
}

export type RuleRead = { readonly rule: string } | { readonly problem: string };

/** Reads a rule from words (`readRhythm`), or as RFC 5545 writes it. */
export function readRule(text: string): RuleRead {
  const written = /^(?:RRULE:)?(FREQ=\S*)$/i.exec(text.trim());
  if (written) {
    const rule = (written[1] ?? '').toUpperCase().replace(/;$/, '');
    const problem = problemWithRule(rule);
    return problem ? { problem } : { rule };
  }
  const read = readRhythm(text);
  return 'problem' in read ? read : { rule: ruleOf(read.rhythm) };
}
