import type { Job, JobCard, Visit, VisitPlan } from '@ant-trail/contract/planning';
import { jobState } from '@ant-trail/core/planning';
import type { EntityManager, FindOptionsWhere } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound, Refusal } from '../../http/problem.ts';
import type { Session } from '../../http/session.ts';
import { PersonRow } from '../accounts/entities.ts';
import { JobRow, VisitRow } from './entities.ts';

export function jobOf(row: JobRow): Job {
  return {
    id: row.id,
    site: row.site.id,
    template: row.template,
    title: row.title,
    instructions: row.instructions,
    day: row.day,
    windowFrom: row.windowFrom,
    windowTo: row.windowTo,
    recipients: row.recipients,
    state: row.state,
    sheet: { id: row.sheet.id, job: row.id, version: row.sheet.version },
  };
}

export function visitOf(row: VisitRow, job: string): Visit {
  return {
    id: row.id,
    job,
    person: row.person,
    day: row.day,
    start: row.start,
    minutes: row.minutes,
    events: row.events.map((event) => event.body).sort((a, b) => (a.id < b.id ? -1 : 1)),
  };
}

const WHOLE_JOB = { site: true, sheet: true, visit: { events: true } } as const;

export async function findJobs(
  db: EntityManager,
  where: FindOptionsWhere<JobRow>,
  take = 500,
): Promise<JobRow[]> {
  return db.find(JobRow, {
    where,
    relations: WHOLE_JOB,
    order: { day: 'DESC', id: 'ASC' },
    take,
  });
}

export async function findJob(db: EntityManager, where: FindOptionsWhere<JobRow>): Promise<JobRow> {
  const row = await db.findOne(JobRow, { where, relations: WHOLE_JOB });
  if (!row) throw notFound('This job');
  return row;
}

export const cardOf = (row: JobRow): JobCard => ({
  job: jobOf(row),
  visit: visitOf(row.visit, row.id),
  siteName: row.site.name,
});

/** Gives a visit to a person and a time, or takes it from everybody. */
export async function planVisit(
  db: EntityManager,
  session: Session,
  id: string,
  plan: VisitPlan,
): Promise<JobCard> {
  const row = await findJob(db, { visit: { id } });
  if (row.state === 'approved' || row.state === 'cancelled' || row.state === 'closed')
    throw new Refusal(409, 'settled', `This job is ${row.state}; it can't be planned again.`);
  await mustBeColleague(db, plan.person);
  await db.update(VisitRow, { id }, plan);
  await db.update(JobRow, { id: row.id }, { day: plan.day });
  await restate(db, session.organisation, row.id);
  await announce(db, session.organisation, [{ kind: 'visit', ref: id }]);
  return cardOf(await findJob(db, { id: row.id }));
}

export async function mustBeColleague(db: EntityManager, person: string | null): Promise<void> {
  if (person !== null && !(await db.existsBy(PersonRow, { id: person })))
    throw notFound('This person');
}

/** Computes a job's state anew from its visit and sheet; announces it when it changed. */
export async function restate(db: EntityManager, organisation: string, id: string): Promise<void> {
  const row = await findJob(db, { id });
  const state = jobState({
    cancelled: row.cancelled,
    hasPerson: row.visit.person !== null,
    visited: row.visit.events.length > 0,
    stages: [row.sheet.summary.stage],
  });
  if (state === row.state) return;
  await db.update(JobRow, { id }, { state });
  await announce(db, organisation, [{ kind: 'visit', ref: row.visit.id }]);
}
