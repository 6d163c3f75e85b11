import { In } from 'typeorm';
import { byId, phoneRecords } from '../sync/record.ts';
import { SiteRow } from './entities.ts';
import { siteOf } from './site.ts';

/** The places of one's jobs. */
export const siteRecords = phoneRecords({
  kind: 'site',
  withJobs: (_db, jobs) =>
    Promise.resolve(
      byId([...new Map(jobs.map(({ site }) => [site.id, site])).values()].map(siteOf)),
    ),
  after: {
    site: async (db, ids) => byId((await db.findBy(SiteRow, { id: In([...ids]) })).map(siteOf)),
  },
});
