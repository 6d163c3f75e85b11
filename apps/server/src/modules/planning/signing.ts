import type { JobDetails, SigningDraft } from '@ant-trail/contract/planning/desk';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { jobDetails } from './decide.ts';
import { JobRow } from './entities.ts';
import { announceJob, findJob, mustBeOpen, restate } from './jobs.ts';

/** The office asks for a signature at the place, or does without it, saying why. */
export async function askForSigning(
  db: EntityManager,
  { organisation, person }: Pick<Session, 'organisation' | 'person'>,
  id: string,
  { asked, reason }: SigningDraft,
): Promise<JobDetails> {
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [id]);
  const job = await findJob(db, { id });
  mustBeOpen(job);
  const waived = asked ? null : { reason, by: person, at: new Date().toISOString() };
  const signing = { asked: true, waived, signed: job.signing?.signed ?? null };
  await db.update(JobRow, { id }, { signing });
  await restate(db, organisation, id);
  await announceJob(db, organisation, id);
  return jobDetails(db, id);
}
