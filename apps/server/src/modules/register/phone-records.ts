import { byId, phoneRecords } from '../../phones/record.ts';
import { assetsOf } from './register.ts';

/** What stands at the places of one's jobs. */
export const assetRecords = phoneRecords({
  kind: 'asset',
  withJobs: async (db, jobs) =>
    byId(await assetsOf(db, [...new Set(jobs.map(({ site }) => site))])),
  after: { site: async (db, sites) => byId(await assetsOf(db, sites)) },
});
