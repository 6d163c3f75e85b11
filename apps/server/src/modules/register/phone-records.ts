import { In } from 'typeorm';
import { pageById } from '../../phones/page-by-id.ts';
import { byId, phoneRecords } from '../../phones/record.ts';
import { SiteRow } from '../sites/entities.ts';
import { AssetRow } from './entities.ts';
import { assetKinds } from './kinds.ts';
import { assetOf, assetsOf } from './register.ts';

/** What stands at the places of one's jobs, and then all that stands in one's branch. */
export const assetRecords = phoneRecords({
  kind: 'asset',
  withJobs: async (db, jobs) =>
    byId(await assetsOf(db, [...new Set(jobs.map(({ site }) => site))])),
  ofBranch: async (db, page) =>
    byId(
      (
        await pageById(db.createQueryBuilder(AssetRow, 'a'), 'a', page)
          .innerJoin(SiteRow, 's', 's.id = a.site_id AND s.branch_id = :branch', {
            branch: page.branch,
          })
          .getMany()
      ).map(assetOf),
    ),
  after: {
    asset: async (db, ids) => byId((await db.findBy(AssetRow, { id: In([...ids]) })).map(assetOf)),
  },
});

/** Kinds of thing, with the fields each has. */
export const assetKindRecords = phoneRecords({
  kind: 'asset kind',
  forAll: async (db) => byId(await assetKinds(db)),
  after: { 'asset kind': async (db) => byId(await assetKinds(db)) },
});
