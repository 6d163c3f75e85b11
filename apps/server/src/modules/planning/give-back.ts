import { In, MoreThanOrEqual, type EntityManager } from 'typeorm';
import { localNow } from '../accounts/people.ts';
import { VisitRow, SheetRow } from './entities.ts';
import { announceJob, restate } from './jobs.ts';
import { noteTaken } from './who-has-part.ts';

/** Gives back to the office what lies ahead of somebody and is not begun: their visits are nobody's then. */
export async function giveBackWork(
  db: EntityManager,
  organisation: string,
  person: string,
): Promise<void> {
  const { day } = await localNow(db);
  const ahead = await db.find(VisitRow, {
    where: { person, day: MoreThanOrEqual(day), job: { state: In(['planned', 'draft']) } },
    relations: { job: true, events: true },
  });
  const visits = ahead.filter(({ events }) => events.length === 0);
  const jobs = [...new Set(visits.map(({ job }) => job.id))];
  await noteTaken(db, organisation, visits);
  await db.update(VisitRow, { id: In(visits.map(({ id }) => id)) }, { person: null });
  await db.update(SheetRow, { job: { id: In(jobs) }, person }, { person: null });
  for (const job of jobs) {
    await restate(db, organisation, job);
    await announceJob(db, organisation, job);
  }
}
