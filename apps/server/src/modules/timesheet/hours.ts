import type {
  ClockSaid,
  DayHours,
  DayOfPerson,
  PersonHours,
  SiteTimeSaid,
} from '@ant-trail/contract/timesheet';
import { may } from '@ant-trail/core/accounts';
import { addDays } from '@ant-trail/core/calendar';
import { contentHash } from '@ant-trail/core/log';
import {
  clockDay,
  countsUntil,
  isForgotten,
  minutesIn,
  timeAtVisit,
  workedMinutes,
  type AtVisit,
  type TimedStep,
} from '@ant-trail/core/timesheet';
import { Between, type EntityManager } from 'typeorm';
import { PersonRow } from '../accounts/entities.ts';
import { ClockEntryRow, HoursApprovalRow } from './entities.ts';

interface VisitOfDay extends AtVisit {
  readonly visit: string;
  readonly siteName: string;
  readonly title: string;
  readonly reason: string | null;
}

interface DayKnown {
  readonly entries: ClockSaid[];
  readonly visits: VisitOfDay[];
}

/** What was said of some days, and what happened at visits: by person and day. */
async function knownOf(
  db: EntityManager,
  from: string,
  to: string,
  person?: string,
): Promise<Map<string, DayKnown>> {
  const whose = person === undefined ? {} : { person };
  const rows = await db.findBy(ClockEntryRow, { day: Between(from, to), ...whose });
  const visits = await visitsBegun(db, from, to, person);
  const corrections = new Map<string, SiteTimeSaid[]>();
  for (const { body } of await db.query<{ body: SiteTimeSaid }[]>(
    `SELECT t.body FROM site_time t JOIN visit v ON v.id = t.visit_id WHERE v.day BETWEEN $1 AND $2`,
    [from, to],
  ))
    corrections.set(body.visit, [...(corrections.get(body.visit) ?? []), body]);
  const known = new Map<string, DayKnown>();
  const on = (who: string, day: string): DayKnown => {
    const key = `${who} ${day}`;
    const there = known.get(key) ?? { entries: [], visits: [] };
    known.set(key, there);
    return there;
  };
  for (const row of rows) on(row.person, row.day).entries.push(row.body);
  for (const { id, person: who, day, siteName, title, events } of visits) {
    const own = corrections.get(id) ?? [];
    const last = own.toSorted((a, b) => (a.id > b.id ? -1 : 1))[0];
    on(who, day).visits.push({
      ...timeAtVisit(events, own),
      ...{ visit: id, siteName, title, reason: last?.reason ?? null },
    });
  }
  return known;
}

interface VisitBegun {
  readonly id: string;
  readonly person: string;
  readonly day: string;
  readonly siteName: string;
  readonly title: string;
  readonly events: readonly TimedStep[];
}

/** Visits of some days at which something happened, in the order they are planned. */
const visitsBegun = (
  db: EntityManager,
  from: string,
  to: string,
  person?: string,
): Promise<VisitBegun[]> =>
  db.query<VisitBegun[]>(
    `SELECT v.id, v.person_id AS person, v.day::text AS day, s.name AS "siteName", j.title, e.events
     FROM visit v JOIN job j ON j.id = v.job_id JOIN site s ON s.id = j.site_id
     JOIN LATERAL (
       SELECT json_agg(json_build_object('id', x.id, 'kind', x.body ->> 'kind', 'at', x.body ->> 'at')
                       ORDER BY x.id) AS events
       FROM visit_event x WHERE x.visit_id = v.id
     ) e ON e.events IS NOT NULL
     WHERE v.day BETWEEN $1 AND $2 AND v.person_id IS NOT NULL AND ($3::uuid IS NULL OR v.person_id = $3)
     ORDER BY v.start, v.id`,
    [from, to, person ?? null],
  );

const spansOf = (visits: readonly AtVisit[], of: 'onWay' | 'there') =>
  visits.flatMap((visit) => visit[of] ?? []);

/** One day of one person, as far as it has come. */
function dayHours(day: string, known: DayKnown | undefined, now: string): DayHours {
  const { entries = [], visits = [] } = known ?? {};
  const clock = clockDay(entries);
  const forgotten = isForgotten(clock, now);
  return {
    day,
    began: clock.spans[0]?.from ?? null,
    ended: clock.state === 'off' ? (clock.spans.at(-1)?.to ?? null) : null,
    worked: workedMinutes(clock, now),
    breaks: forgotten ? 0 : minutesIn(clock.breaks, now),
    onSite: minutesIn(
      spansOf(visits, 'there').map(({ from, to }) => ({
        from,
        to: to ?? countsUntil(from, now),
      })),
      now,
    ),
    onWay: minutesIn(
      spansOf(visits, 'onWay').map(({ from, to }) => ({
        from,
        to: to ?? countsUntil(from, now),
      })),
      now,
    ),
    visits: visits.length,
    isOpen: clock.state !== 'off',
    isForgotten: forgotten,
    isOdd: clock.odd.length > 0,
    corrected:
      entries.some(({ reason }) => reason !== null) || visits.some((each) => each.corrected),
  };
}

const WEEK = 7;

const markOf = (days: readonly (DayKnown | undefined)[]): string =>
  contentHash(
    days.map((known) => ({
      entries: (known?.entries ?? []).map(({ id }) => id).sort(),
      visits: (known?.visits ?? []).map(({ visit, there, onWay }) => ({ visit, there, onWay })),
    })),
  ).slice(0, 32);

/** A week of everybody who has a trail, or said something of it. */
export async function hoursOfWeek(
  db: EntityManager,
  monday: string,
  clock: Date,
  only?: string,
): Promise<PersonHours[]> {
  const days = Array.from({ length: WEEK }, (_, at) => addDays(monday, at));
  const known = await knownOf(db, monday, addDays(monday, WEEK - 1), only);
  const approvals = new Map(
    (await db.findBy(HoursApprovalRow, { monday })).map((row) => [row.person, row]),
  );
  const people = await db.find(PersonRow, { order: { name: 'ASC', id: 'ASC' } });
  const now = clock.toISOString();
  return people.flatMap((row): PersonHours[] => {
    if (only !== undefined && row.id !== only) return [];
    const theirs = days.map((day) => known.get(`${row.id} ${day}`));
    const hasSaid = theirs.some((each) => each !== undefined);
    if (!hasSaid && (row.retired || !may(row.roles, 'walk'))) return [];
    const hours = days.map((day, at) => dayHours(day, theirs[at], now));
    const approval = approvals.get(row.id);
    const mark = markOf(theirs);
    return [
      {
        ...{ person: row.id, name: row.name, days: hours, mark },
        worked: hours.reduce((sum, { worked }) => sum + worked, 0),
        approved: approval
          ? {
              ...{ by: approval.by, at: approval.at.toISOString(), minutes: approval.minutes },
              changedSince: approval.mark !== mark,
            }
          : null,
      },
    ];
  });
}

/** What was said of one day of one person, and where they were. */
export async function dayOfPerson(
  db: EntityManager,
  person: string,
  day: string,
  clock: Date,
): Promise<DayOfPerson> {
  const known = (await knownOf(db, day, day, person)).get(`${person} ${day}`);
  const now = clock.toISOString();
  return {
    entries: (known?.entries ?? []).toSorted((a, b) => (a.id < b.id ? -1 : 1)),
    visits: (known?.visits ?? []).map(({ visit, siteName, title, reason, there, onWay }) => ({
      ...{ visit, siteName, title, reason, from: there?.from ?? null, to: there?.to ?? null },
      onSite: there ? minutesIn([there], countsUntil(there.from, now)) : 0,
      onWay: onWay ? minutesIn([onWay], countsUntil(onWay.from, now)) : 0,
    })),
  };
}
