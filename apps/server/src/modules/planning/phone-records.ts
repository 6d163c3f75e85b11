import { byId, phoneRecords } from '../sync/record.ts';
import { jobOf, visitsOf } from './jobs.ts';

/** One's jobs. */
export const jobRecords = phoneRecords({
  kind: 'job',
  withJobs: (_db, jobs) => Promise.resolve(byId(jobs.map(jobOf))),
});

/** Everybody's visits to one's jobs. */
export const visitRecords = phoneRecords({
  kind: 'visit',
  withJobs: (_db, jobs) => Promise.resolve(byId(jobs.flatMap(visitsOf))),
});
