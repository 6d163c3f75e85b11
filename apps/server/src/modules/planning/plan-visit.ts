import type { VisitCard, VisitPlan } from '@ant-trail/contract/planning';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../http/problem.ts';
import type { Session } from '../../http/session.ts';
import { SheetRow } from '../capture/entities.ts';
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
  const visit = row.visits.find((each) => each.id === id);
  const before = visit?.person ?? null;
  const stays = row.visits.some((each) => each.id !== id && each.person === before);
  // Sheets of one's own go with the visit: nobody else could fill them in.
  if (before !== null && before !== plan.person && !stays)
    await db.update(SheetRow, { job: { id: row.id }, person: before }, { person: plan.person });
  // The job's own day is that of whoever leads.
  if (visit?.part === 'leads') await db.update(JobRow, { id: row.id }, { day: plan.day });
  await restate(db, session.organisation, row.id);
  await announceJob(db, session.organisation, row.id);
  const card = visitCardsOf(await findJob(db, { id: row.id })).find(({ visit }) => visit.id === id);
  if (!card) throw notFound('This visit');
  return card;
}
