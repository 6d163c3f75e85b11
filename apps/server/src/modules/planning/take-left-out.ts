import { LeftOutSheet } from '@ant-trail/contract/planning';
import { isTheirs } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { ANOTHERS_NAME, oneByOne, type OperationTaker, type Word } from '../../phones/operation.ts';
import { SheetRow } from './entities.ts';
import { announceJob, findJobs, restate } from './jobs.ts';
import { hasPartIn } from './who-has-part.ts';

/** Sheets that somebody at a job went past, with why. */
export const leftOutTaker: OperationTaker<LeftOutSheet> = {
  kind: 'sheet left out',
  schema: LeftOutSheet,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, said: LeftOutSheet): Promise<Word> {
  if (said.by !== session.person) return { refused: ANOTHERS_NAME };
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [said.job]);
  const [job] = await findJobs(db, { id: said.job }, 1);
  const sheet = job?.sheets.find(({ id }) => id === said.sheet);
  if (!job || !sheet || !(await hasPartIn(db, job, session.person)))
    return { refused: 'This sheet is not here, or not yours.' };
  if (!isTheirs(sheet, session.person)) return { refused: 'This sheet is somebody else’s now.' };
  const { id, reason, by, at } = said;
  if (sheet.leftOut?.id === id) return 'already had';
  // Said late, by a phone that was long without a network: the newer word stands.
  if (sheet.leftOut && sheet.leftOut.at > at) return 'already had';
  await db.update(SheetRow, { id: sheet.id }, { leftOut: { id, reason, by, at } });
  await restate(db, session.organisation, job.id);
  await announceJob(db, session.organisation, job.id);
  return 'received';
}
