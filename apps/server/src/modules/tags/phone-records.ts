import { In } from 'typeorm';
import { pageById } from '../../phones/page-by-id.ts';
import { byId, phoneRecords } from '../../phones/record.ts';
import { AssetRow } from '../register/entities.ts';
import { SiteRow } from '../sites/entities.ts';
import { TagRow } from './entities.ts';
import { tagOf, tagsAt } from './tags.ts';

/**
 * The labels on what stands at the places of one's jobs, then on all that stands in one's branch, and
 * the loose ones: whoever has one in the hand may read its number alone.
 */
export const tagRecords = phoneRecords({
  kind: 'tag',
  withJobs: async (db, jobs) => byId(await tagsAt(db, [...new Set(jobs.map(({ site }) => site))])),
  ofBranch: async (db, page) =>
    byId(
      (
        await pageById(db.createQueryBuilder(TagRow, 't'), 't', page)
          .leftJoin(AssetRow, 'a', 'a.id = t.asset_id')
          .leftJoin(SiteRow, 's', 's.id = a.site_id')
          .andWhere('(t.asset_id IS NULL OR s.branch_id = :branch)', { branch: page.branch })
          .getMany()
      ).map(tagOf),
    ),
  after: {
    tag: async (db, ids) => byId((await db.findBy(TagRow, { id: In([...ids]) })).map(tagOf)),
  },
});
