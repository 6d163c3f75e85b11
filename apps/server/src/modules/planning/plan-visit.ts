import { randomUUID } from 'node:crypto';
import type { VisitCard } from '@ant-trail/contract/planning';
import type { VisitPlan } from '@ant-trail/contract/planning/desk';
import { turningBack } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { JobRow, VisitRow, SheetRow } from './entities.ts';
import { noteTaken } from './who-has-part.ts';
import {
  announceJob,
  findJob,
  mustBeColleagues,
  mustBeOpen,
  restate,
  visitCardsOf,
} from './jobs.ts';

/**
 * Gives a visit to a person and a time, or takes it from everybody. One that turned back stays as it was:
 * another one is planned in its place.
 */
export async function planVisit(
  db: EntityManager,
  session: Pick<Session, 'organisation'>,
  id: string,
  plan: VisitPlan,
): Promise<VisitCard> {
  const { id: job } = await findJob(db, { visits: { id } });
  // Two who plan at once do so one after the other.
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [job]);
  const row = await findJob(db, { id: job });
  mustBeOpen(row);
  await mustBeColleagues(db, [plan.person]);
  // Planned anew, what was gone past is to be done after all.
  if (row.state === 'turned back')
    await db.update(SheetRow, { job: { id: job } }, { leftOut: null });
  const visit = row.visits.find((each) => each.id === id);
  if (!visit) throw notFound('This visit');
  const planned = isTurnedBack(visit) ? randomUUID() : id;
  if (planned === id) await db.update(VisitRow, { id }, plan);
  else {
    if (row.visits.some(({ insteadOf }) => insteadOf === id))
      throw new Refusal(
        409,
        'planned-anew',
        'Another visit is planned in its place already: change that one.',
      );
    await db.insert(VisitRow, {
      ...{ ...plan, id: planned, org: session.organisation, job: { id: row.id } },
      ...{ part: visit.part, insteadOf: id },
    });
  }
  const before = visit.person;
  if (before !== null && before !== plan.person && planned === id)
    await noteTaken(db, session.organisation, [{ id, person: before }]);
  const stays = row.visits.some((each) => each.id !== id && each.person === before);
  // Sheets of one's own go with the visit: nobody else could fill them in.
  if (before !== null && before !== plan.person && !stays)
    await db.update(SheetRow, { job: { id: row.id }, person: before }, { person: plan.person });
  // The job's own day is that of whoever leads.
  if (visit.part === 'leads') await db.update(JobRow, { id: row.id }, { day: plan.day });
  await restate(db, session.organisation, row.id);
  await announceJob(db, session.organisation, row.id);
  const cards = visitCardsOf(await findJob(db, { id: row.id }));
  const card = cards.find((each) => each.visit.id === planned);
  if (!card) throw notFound('This visit');
  return card;
}

const isTurnedBack = ({ events }: VisitRow): boolean =>
  turningBack(events.map(({ body }) => body)) !== null;
