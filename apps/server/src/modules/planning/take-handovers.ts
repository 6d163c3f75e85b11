import { randomUUID } from 'node:crypto';
import { Handover } from '@ant-trail/contract/planning';
import { isTheirs } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadAsSaid,
} from '../../phones/operation.ts';
import { HandoverRow, VisitRow, type JobRow, SheetRow } from './entities.ts';
import { announceJob, findJobs, mustBeColleagues, restate, visitsOf } from './jobs.ts';

/** Visits and sheets that somebody gave to a colleague as they stood. */
export const handoverTaker: OperationTaker<Handover> = {
  kind: 'handover',
  schema: Handover,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, handover: Handover): Promise<Word> {
  const { organisation, person } = session;
  if (handover.by !== person) return { refused: ANOTHERS_NAME };
  // Two at once, from two phones or twice from one, are taken one after the other.
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [handover.job]);
  const known = await db.findOneBy(HandoverRow, { id: handover.id });
  if (known) return hadAsSaid(known.body, handover);
  const [job] = await findJobs(db, { id: handover.job }, 1);
  if (!job?.visits.some((visit) => visit.person === person)) return NOT_YOURS;
  await mustBeColleagues(db, [handover.to]);
  const given = handover.visit
    ? await giveVisit(db, job, handover.visit, handover)
    : await giveSheet(db, job, handover.sheet ?? '', handover, organisation);
  if (given) return given;
  await db.insert(HandoverRow, {
    ...{ org: organisation, id: handover.id, job: job.id, from: person, body: handover },
  });
  await restate(db, organisation, job.id);
  await announceJob(db, organisation, job.id);
  return 'received';
}

const NOT_YOURS = {
  refused: 'This is not yours any more: the office gave it to somebody else meanwhile.',
};

/** The visit, and with it the sheets that are the giver's own. */
async function giveVisit(
  db: EntityManager,
  job: JobRow,
  id: string,
  { by, to }: Handover,
): Promise<Word | null> {
  const visit = job.visits.find((each) => each.id === id);
  if (visit?.person !== by) return NOT_YOURS;
  const own = job.visits.find((each) => each.person === to && each.day === visit.day);
  if (own) {
    // Who is there already takes the lead; nobody stands on a day's trail twice for one job.
    if (visit.part === 'leads') await db.update(VisitRow, { id: own.id }, { part: 'leads' });
    // It stays without a person: what the giver still sends of it must find it.
    await db.update(VisitRow, { id }, { person: null, part: 'helps' });
  } else await db.update(VisitRow, { id }, { person: to });
  await db.update(SheetRow, { job: { id: job.id }, person: by }, { person: to });
  return null;
}

/** One sheet; who takes it comes to the job as a helper where they are not at it yet. */
async function giveSheet(
  db: EntityManager,
  job: JobRow,
  id: string,
  { by, to }: Handover,
  organisation: string,
): Promise<Word | null> {
  const sheet = job.sheets.find((each) => each.id === id);
  if (!sheet || !isTheirs(sheet, by)) return NOT_YOURS;
  await db.update(SheetRow, { id }, { person: to });
  const from = visitsOf(job).find((visit) => visit.person === by);
  if (from && !job.visits.some((visit) => visit.person === to))
    await db.insert(VisitRow, {
      ...{ org: organisation, id: randomUUID(), job: { id: job.id }, person: to, part: 'helps' },
      ...{ day: from.day, start: from.start, minutes: from.minutes },
    });
  return null;
}
