import { type Visit } from '@ant-trail/contract/planning';
import { MOST_IN_ORDER, type OrderAsk } from '@ant-trail/contract/planning/desk';
import { demandsTogether, may, sameName } from '@ant-trail/core/accounts';
import { inZone } from '@ant-trail/core/calendar';
import { holdsOf, shortfalls, type Shortfall } from '@ant-trail/core/planning';
import {
  hoursOfDay,
  isToOrder,
  promisedSpan,
  standingOf,
  type DayOfWork,
  type DayPerson,
  type DayVisit,
} from '@ant-trail/core/planning/order';
import { In, type EntityManager } from 'typeorm';
import { Refusal } from '../../refusals/refusal.ts';
import { OrganisationRow, PersonRow } from '../accounts/entities.ts';
import { WHOLE_PERSON } from '../accounts/people.ts';
import { SiteRow } from '../sites/entities.ts';
import type { JobRow } from './entities.ts';
import { findJobs, visitsOf } from './jobs.ts';
import { worksOf, type Work } from './suiting.ts';

/** Everything that decides in which order a day is best walked, as the office knows it now. */
export async function dayOfWork(
  db: EntityManager,
  organisation: string,
  { day, people: only, evenly }: OrderAsk,
  clock: Date,
): Promise<DayOfWork> {
  const jobs = await findJobs(db, { visits: { day } });
  const works = await worksOf(db, jobs, { day });
  const { timeZone = 'UTC' } = (await db.findOneBy(OrganisationRow, { id: organisation })) ?? {};
  const here = inZone(clock, timeZone);
  const now = here.day === day ? here.minute : null;
  const people = await peopleOf(db, jobs, day);
  const lastThere = await lastPeople(db, [...new Set(jobs.map(({ site }) => site.id))], day);
  const visits = jobs.flatMap((job) => {
    const own = visitsOf(job).filter(
      (visit) => visit.day === day && isToOrder(job.state, visit, timeZone),
    );
    return own.map((visit): DayVisit => {
      const standing = standingOf(visit, timeZone);
      const work = works.get(job.id);
      return {
        ...{ id: visit.id, person: visit.person, start: visit.start, minutes: visit.minutes },
        at: { lat: job.site.lat, lon: job.site.lon },
        promised: promisedSpan(job),
        // Those who go together stay together.
        together: own.length > 1 ? job.id : null,
        standing,
        unsuited: people.flatMap(({ row }) => (isUnsuited(row, job, work, visit) ? [row.id] : [])),
        lastPerson: lastThere.get(job.site.id) ?? null,
        takes: visit.part === 'leads' ? job.takes : [],
      };
    });
  });
  const asked = only ? new Set(only) : null;
  const kept = visits.filter(({ person }) => !asked || person === null || asked.has(person));
  if (kept.length > MOST_IN_ORDER)
    throw new Refusal(
      422,
      'too-many',
      `At most ${MOST_IN_ORDER} visits are put in order at once: choose some of the people.`,
    );
  return {
    ...{ now, evenly, visits: kept },
    people: people.filter(({ row }) => !asked || asked.has(row.id)).map(({ person }) => person),
  };
}

interface Known {
  readonly row: PersonRow;
  readonly person: DayPerson;
}

/** Everybody with a trail, and whoever else has a visit that day. */
async function peopleOf(db: EntityManager, jobs: readonly JobRow[], day: string): Promise<Known[]> {
  const having = new Set(
    jobs.flatMap(({ visits }) => visits.flatMap(({ person }) => person ?? [])),
  );
  const rows = (
    await db.find(PersonRow, {
      where: { retired: false },
      relations: WHOLE_PERSON,
      order: { name: 'ASC', id: 'ASC' },
    })
  ).filter(({ id, roles }) => having.has(id) || may(roles, 'walk'));
  const starts = new Map(
    (await db.findBy(SiteRow, { id: In(rows.flatMap(({ startsAt }) => startsAt ?? [])) })).map(
      ({ id, lat, lon }) => [id, { lat, lon }],
    ),
  );
  return rows.map((row) => {
    const hours = hoursOfDay(row.hours, day);
    const away =
      row.absences.some(({ from, to }) => from <= day && day <= to) ||
      (row.hours.length > 0 && hours.length === 0 && !having.has(row.id));
    return {
      row,
      person: {
        ...{ id: row.id, startsAt: starts.get(row.startsAt ?? '') ?? null, away },
        hours,
        holds: holdsOf(row.vehicle),
      },
    };
  });
}

const HINDERS: ReadonlySet<Shortfall['code']> = new Set(['no credential', 'no skill']);

/** What is demanded and missing; hours are the order's own matter. */
function isUnsuited(
  row: PersonRow,
  { branch }: JobRow,
  work: Work | undefined,
  { start, minutes }: Visit,
): boolean {
  if (row.branch !== branch && !row.branches.some((each) => each.branch === branch)) return true;
  if (!work) return false;
  const time = { day: work.time.day, start, minutes };
  const demanded = new Set(demandsTogether([work.demands]).credentials.map(sameName));
  return shortfalls(row, work.demands, time).some(
    (fall) =>
      HINDERS.has(fall.code) ||
      (fall.code === 'credential expired' && demanded.has(sameName(fall.name))),
  );
}

/** Who was at each place last, before a day. */
async function lastPeople(
  db: EntityManager,
  sites: readonly string[],
  day: string,
): Promise<Map<string, string>> {
  if (sites.length === 0) return new Map();
  const rows = await db.query<{ site: string; person: string }[]>(
    `SELECT s.id AS site, last.person_id AS person
     FROM unnest($1::uuid[]) AS s(id)
     CROSS JOIN LATERAL (
       SELECT v.person_id FROM job j JOIN visit v ON v.job_id = j.id
       WHERE j.site_id = s.id AND v.day < $2 AND v.part = 'leads' AND v.person_id IS NOT NULL
         AND EXISTS (SELECT 1 FROM visit_event e WHERE e.visit_id = v.id)
       ORDER BY v.day DESC, v.id DESC LIMIT 1
     ) last`,
    [sites, day],
  );
  return new Map(rows.map(({ site, person }) => [site, person]));
}
