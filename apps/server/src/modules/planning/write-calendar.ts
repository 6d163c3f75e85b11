import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import type { JobRow, VisitRow } from './entities.ts';

export interface CalendarOf {
  readonly title: string;
  readonly timeZone: string;
  /** Now. */
  readonly clock: Date;
}

/** What a calendar shows of a visit; what is only for whoever is at a place is never among it. */
export type VisitShown = Pick<VisitRow, 'id' | 'day' | 'start' | 'minutes'> & {
  readonly job: Pick<JobRow, 'title' | 'instructions' | 'state'> & {
    readonly site: Pick<JobRow['site'], 'name' | 'address' | 'lat' | 'lon'>;
  };
};

/** The instant at which a clock on the wall there shows a minute of a day. */
const atClock = (day: string, minute: number, timeZone: string): Date => {
  const time = { hour: Math.floor(minute / 60), minute: minute % 60 };
  const there = Temporal.PlainDate.from(day).toPlainDateTime(time).toZonedDateTime(timeZone);
  return new Date(there.epochMilliseconds);
};

const utc = (at: Date): ICAL.Time => ICAL.Time.fromJSDate(at, true);

/**
 * Visits as a calendar (RFC 5545). Times are written in UTC: every program shows them by the clock of
 * where it is, and no change of the clock can move them.
 */
export function writeCalendar(
  { title, timeZone, clock }: CalendarOf,
  visits: readonly VisitShown[],
): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Ant Trail//Visits//EN');
  calendar.addPropertyWithValue('x-wr-calname', title);
  for (const { id, day, start, minutes, job } of visits) {
    const event = new ICAL.Component('vevent');
    const begins = atClock(day, start, timeZone);
    event.addPropertyWithValue('uid', `urn:uuid:${id}`);
    event.addPropertyWithValue('dtstamp', utc(clock));
    event.addPropertyWithValue('dtstart', utc(begins));
    event.addPropertyWithValue('dtend', utc(new Date(begins.getTime() + minutes * 60_000)));
    event.addPropertyWithValue('summary', `${job.title}, ${job.site.name}`);
    event.addPropertyWithValue('location', job.site.address || job.site.name);
    event.addPropertyWithValue('geo', [job.site.lat, job.site.lon]);
    if (job.instructions) event.addPropertyWithValue('description', job.instructions);
    event.addPropertyWithValue('status', job.state === 'cancelled' ? 'CANCELLED' : 'CONFIRMED');
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
