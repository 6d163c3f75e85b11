import { OwnOrder } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { In, type EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { ANOTHERS_NAME, oneByOne, type OperationTaker, type Word } from '../../phones/operation.ts';
import { type VisitRow, type JobRow } from './entities.ts';
import { findJobs } from './jobs.ts';
import { planVisit } from './plan-visit.ts';

/** The order somebody walks their own stops in. It is theirs to choose as far as promises are kept. */
export const ownOrderTaker: OperationTaker<OwnOrder> = {
  kind: 'own order',
  schema: OwnOrder,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, said: OwnOrder): Promise<Word> {
  if (said.by !== session.person) return { refused: ANOTHERS_NAME };
  const ids = said.stops.map(({ visit }) => visit);
  // All jobs at once and in one order: whoever plans one of them waits, and nobody in a circle.
  await db.query(
    `SELECT 1 FROM job WHERE id IN (SELECT job_id FROM visit WHERE id = ANY ($1)) ORDER BY id FOR UPDATE`,
    [ids],
  );
  const jobs = await findJobs(db, { visits: { id: In(ids) } });
  const visits = new Map(
    jobs.flatMap((job) => job.visits.map((visit) => [visit.id, { job, visit }] as const)),
  );
  const found = said.stops.map((stop) => ({ stop, at: visits.get(stop.visit) }));
  const isSo = ({ stop, at }: (typeof found)[number]): boolean =>
    at?.visit.person === said.by && at.visit.start === stop.start;
  if (found.every(isSo)) return 'already had';
  for (const { stop, at } of found) {
    const refused = whyNot(said, stop, at);
    if (refused) return { refused };
  }
  for (const { stop, at } of found) {
    if (!at || at.visit.start === stop.start) continue;
    const { person, day, minutes } = at.visit;
    await planVisit(db, session, stop.visit, { person, day, start: stop.start, minutes });
  }
  return 'received';
}

type Found = { readonly job: JobRow; readonly visit: VisitRow } | undefined;

function whyNot(
  { day, by }: OwnOrder,
  { was, start }: OwnOrder['stops'][number],
  at: Found,
): string | null {
  if (!at || at.visit.person !== by || at.visit.day !== day)
    return 'The office has planned your day otherwise meanwhile. Look at it again.';
  const { job, visit } = at;
  // What is begun stays where it is, whatever its hour.
  if (visit.start === start || visit.events.length > 0) return null;
  if (visit.start !== was)
    return 'The office has planned your day otherwise meanwhile. Look at it again.';
  if (job.visits.some((other) => other.id !== visit.id && other.day === day))
    return `Others come to ${job.site.name} at that hour: the office plans it.`;
  if (start < (job.windowFrom ?? start) || start > (job.windowTo ?? start))
    return `${job.site.name} is promised for ${sayMinute(job.windowFrom ?? 0)} to ${sayMinute(job.windowTo ?? 1439)}.`;
  return null;
}
