import type { EntityManager } from 'typeorm';
import { pageById } from '../../phones/page-by-id.ts';
import { byId, phoneRecords } from '../../phones/record.ts';
import { TemplateVersionRow } from './entities.ts';
import { findVersions, versionOf } from './versions.ts';

/** Some templates are large: so many go to a phone at once. */
const A_PAGE = 20;

const NEWEST = `v.number =
  (SELECT max(o.number) FROM template_version o WHERE o.template_id = v.template_id)`;

const versions = (db: EntityManager) => db.createQueryBuilder(TemplateVersionRow, 'v');

/** The versions one's sheets were begun under, and the newest of each: work may begin with any. */
export const templateRecords = phoneRecords({
  kind: 'template',
  atMost: A_PAGE,
  withJobs: async (db, jobs) =>
    byId(
      await findVersions(
        db,
        jobs.flatMap(({ sheets }) => sheets.map(({ version }) => version)),
      ),
    ),
  ofBranch: async (db, page) =>
    byId((await pageById(versions(db), 'v', page).andWhere(NEWEST).getMany()).map(versionOf)),
  after: {
    template: async (db, templates) => {
      const rows = await versions(db)
        .where('v.template IN (:...templates)', { templates })
        .andWhere(NEWEST)
        .getMany();
      return byId(rows.map(versionOf));
    },
  },
});
