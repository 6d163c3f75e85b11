import { byId, phoneRecords } from '../../phones/record.ts';
import { sealsOf } from './details.ts';

/** What opens at the places of one's jobs, and only there. */
export const arrivalRecords = phoneRecords({
  kind: 'arrival seal',
  withJobs: async (db, jobs) => byId(await sealsOf(db, [...new Set(jobs.map(({ site }) => site))])),
  after: { arrival: async (db, sites) => byId(await sealsOf(db, sites)) },
});
