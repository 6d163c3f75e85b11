import { addDays, inZone, sayMinute } from '@ant-trail/core/calendar';

/** "Monday 23 November" from "2026-11-23". */
export function sayDay(day: string): string {
  return format(day, { weekday: 'long', day: 'numeric', month: 'long' });
}

/** "Mon 23 Nov". */
export function sayShortDay(day: string): string {
  return format(day, { weekday: 'short', day: 'numeric', month: 'short' });
}

/** "14 Mar 2021", of a day that may be years away. */
export function sayDatedDay(day: string): string {
  return format(day, { day: 'numeric', month: 'short', year: 'numeric' });
}

/** "Sun 14 Mar 2021". */
export function sayFullDay(day: string): string {
  return format(day, { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
}

/** "today", "tomorrow", "yesterday", or the short day. */
export function sayNearDay(day: string, today: string): string {
  if (day === today) return 'today';
  if (day === addDays(today, 1)) return 'tomorrow';
  if (day === addDays(today, -1)) return 'yesterday';
  return sayShortDay(day);
}

/** An instant at the site: "08:21", with the day before it when it was not today. */
export function sayWhen(instant: string, timeZone: string, now = new Date()): string {
  const at = inZone(new Date(instant), timeZone);
  const today = inZone(now, timeZone).day;
  const time = sayMinute(at.minute);
  return at.day === today ? time : `${sayNearDay(at.day, today)} ${time}`;
}

function format(day: string, options: Intl.DateTimeFormatOptions): string {
  return new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' })
    .format(new Date(`${day}T00:00:00Z`))
    .replace(',', '');
}

/** A past instant under a chart: "6 Nov". */
export function sayPast(instant: string, timeZone: string): string {
  return format(inZone(new Date(instant), timeZone).day, { day: 'numeric', month: 'short' });
}
