import type { JobDetails } from '@ant-trail/contract/planning/desk';
import type { Facts } from '@ant-trail/core/fields';
import type { EntityManager } from 'typeorm';
import { ownAs } from '../fields/own-fields.ts';
import { jobDetails } from './decide.ts';
import { JobRow } from './entities.ts';
import { announceJob, findJob } from './jobs.ts';

/** Writes what is known of a job by the office's own fields. */
export async function writeOwn(
  db: EntityManager,
  organisation: string,
  id: string,
  own: Facts,
): Promise<JobDetails> {
  const before = await findJob(db, { id });
  await db.update(JobRow, { id }, await ownAs(db, 'job', own, before.own));
  await announceJob(db, organisation, id);
  return jobDetails(db, id);
}
