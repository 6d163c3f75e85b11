import type { VisitCard, VisitPlan } from '@ant-trail/contract/planning';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../http/problem.ts';
import type { Session } from '../../http/session.ts';
import { JobRow, VisitRow } from './entities.ts';
import {
  announceJob,
  findJob,
  mustBeColleagues,
  mustBeOpen,
  restate,
  visitCardsOf,
} from './jobs.ts';

/** Gives a visit to a person and a time, or takes it from everybody. */
export async function planVisit(
  db: EntityManager,
  session: Session,
  id: string,
  plan: VisitPlan,
): Promise<VisitCard> {
  const row = await findJob(db, { visits: { id } });
  mustBeOpen(row);
  await mustBeColleagues(db, [plan.person]);
  await db.update(VisitRow, { id }, plan);
  // The job's own day is that of whoever leads.
  if (row.visits.find((visit) => visit.id === id)?.part === 'leads')
    await db.update(JobRow, { id: row.id }, { day: plan.day });
  await restate(db, session.organisation, row.id);
  await announceJob(db, session.organisation, row.id);
  const card = visitCardsOf(await findJob(db, { id: row.id })).find(({ visit }) => visit.id === id);
  if (!card) throw notFound('This visit');
  return card;
}
