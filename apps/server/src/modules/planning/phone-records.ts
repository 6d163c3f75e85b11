import { In } from 'typeorm';
import { byId, phoneRecords } from '../../phones/record.ts';
import { findJobs, jobOf, visitsOf } from './jobs.ts';

const idsOf = (jobs: readonly { readonly id: string }[]): string[] => jobs.map(({ id }) => id);

/** One's jobs. */
export const jobRecords = phoneRecords({
  kind: 'job',
  withJobs: async (db, jobs) => byId((await findJobs(db, { id: In(idsOf(jobs)) })).map(jobOf)),
});

/** Everybody's visits to one's jobs. */
export const visitRecords = phoneRecords({
  kind: 'visit',
  withJobs: async (db, jobs) =>
    byId((await findJobs(db, { id: In(idsOf(jobs)) })).flatMap(visitsOf)),
});
