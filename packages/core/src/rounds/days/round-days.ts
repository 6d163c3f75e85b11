import { addDays, weekdayOf } from '../../calendar/index.ts';
import type { OnHolidays, RoundDay, RoundRhythm } from '../round-rhythm.ts';
import { daysOfRule } from './days-of-rule.ts';

/** As far as a round is moved to get past holidays. */
const MOST_DAYS_MOVED = 21;
const SATURDAY = 6;

const isWorkingDay = (day: string, holidays: ReadonlySet<string>): boolean =>
  weekdayOf(day) < SATURDAY && !holidays.has(day);

/**
 * The days of a round that is walked between two days, both included, in order: by its rule, without
 * its exceptions, with its extra days, and past holidays. Two that would come to lie on one day are one:
 * the one whose own day it is, else the one that is due first.
 */
export function roundDays(
  { rule, begins, without, besides, onHolidays }: RoundRhythm,
  holidays: ReadonlySet<string>,
  from: string,
  to: string,
): RoundDay[] {
  const [first, last] = [addDays(from, -MOST_DAYS_MOVED), addDays(to, MOST_DAYS_MOVED)];
  const left = new Set(without);
  const due = new Set(
    daysOfRule(rule, firstDay(rule, begins), first, last).filter((day) => !left.has(day)),
  );
  for (const day of besides) if (day >= first && day <= last) due.add(day);
  const walked = new Map<string, RoundDay>();
  for (const each of [...due].sort()) {
    const day = movedTo(each, onHolidays, holidays);
    // An extra day was chosen by somebody who knows the calendar.
    const found = besides.includes(each) ? { due: each, day: each } : day && { due: each, day };
    if (!found) continue;
    const there = walked.get(found.day);
    if (!there || found.due === found.day) walked.set(found.day, found);
  }
  return [...walked.values()]
    .filter(({ day }) => day >= from && day <= to)
    .sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** As far as the first day of a rule is looked for. */
const FIRST_WITHIN = 366 * 5;

/**
 * The day a round's steps are counted from: the first on which it could fall. “Every second Tuesday”
 * from a Friday on begins on the next Tuesday, whatever week that Friday is in; so does RFC 5545 want
 * it, whose first day is one of the rule.
 */
function firstDay(rule: string, begins: string): string {
  const stepless = rule
    .split(';')
    .filter((part) => !/^(INTERVAL|COUNT|UNTIL)=/.test(part))
    .join(';');
  if (stepless === rule) return begins;
  return (
    daysOfRule(`${stepless};COUNT=1`, begins, begins, addDays(begins, FIRST_WITHIN))[0] ?? begins
  );
}

function movedTo(day: string, how: OnHolidays, holidays: ReadonlySet<string>): string | null {
  if (how === 'as ever' || !holidays.has(day)) return day;
  if (how === 'left out') return null;
  const step = how === 'the working day after' ? 1 : -1;
  for (let moved = 1; moved <= MOST_DAYS_MOVED; moved++) {
    const to = addDays(day, step * moved);
    if (isWorkingDay(to, holidays)) return to;
  }
  return null;
}
