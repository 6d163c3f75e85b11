import type { VisitCard } from '@ant-trail/contract/planning';
import type { PlansTaken } from '@ant-trail/contract/planning/desk';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { VisitRow } from './entities.ts';
import { planVisit } from './plan-visit.ts';

/** Gives several visits other people, hours and days at once; refused whole where one of them changed meanwhile. */
export async function takePlans(
  db: EntityManager,
  session: Session,
  { day, plans }: PlansTaken,
): Promise<VisitCard[]> {
  // All jobs at once and in one order: whoever else plans one of them waits, and nobody in a circle.
  await db.query(
    `SELECT 1 FROM job WHERE id IN (SELECT job_id FROM visit WHERE id = ANY ($1)) ORDER BY id FOR UPDATE`,
    [plans.map(({ visit }) => visit)],
  );
  const cards: VisitCard[] = [];
  const seen = new Set<string>();
  for (const { visit: id, was, person, day: to = day, start } of plans) {
    if (seen.has(id)) throw new Refusal(422, 'stands-twice', 'A visit stands here twice.');
    seen.add(id);
    const visit = await db.findOne(VisitRow, { where: { id }, relations: { events: true } });
    if (!visit) throw notFound('This visit');
    const isAsItWas =
      visit.day === (was.day ?? day) && visit.person === was.person && visit.start === was.start;
    if (!isAsItWas)
      throw new Refusal(
        409,
        'planned-meanwhile',
        'This was planned otherwise meanwhile, and nothing was changed. Look at it again.',
      );
    if (visit.events.length > 0 && (visit.person !== person || visit.day !== to))
      throw new Refusal(
        409,
        'begun-meanwhile',
        'Somebody has set off to one of these meanwhile, and nothing was changed. Look at it again.',
      );
    cards.push(
      await planVisit(db, session, id, { person, day: to, start, minutes: visit.minutes }),
    );
  }
  return cards;
}
