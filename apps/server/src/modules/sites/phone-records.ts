import { In, type EntityManager } from 'typeorm';
import { pageById } from '../../phones/page-by-id.ts';
import { byId, phoneRecords } from '../../phones/record.ts';
import { SiteRow } from './entities.ts';
import { notesAt, notesNamed } from './notes.ts';
import { siteOf } from './site.ts';

async function sitesWith(db: EntityManager, ids: readonly string[]) {
  return byId((await db.findBy(SiteRow, { id: In([...ids]) })).map(siteOf));
}

/** The places of one's jobs, and then all of one's branch: work may begin at any of them. */
export const siteRecords = phoneRecords({
  kind: 'site',
  withJobs: (db, jobs) => sitesWith(db, [...new Set(jobs.map(({ site }) => site))]),
  ofBranch: async (db, page) =>
    byId(
      (
        await pageById(db.createQueryBuilder(SiteRow, 's'), 's', page)
          .andWhere('s.branch_id = :branch', { branch: page.branch })
          .getMany()
      ).map(siteOf),
    ),
  after: { site: sitesWith },
});

/** Notes at the places of one's jobs. */
export const siteNoteRecords = phoneRecords({
  kind: 'site note',
  withJobs: async (db, jobs) => byId(await notesAt(db, [...new Set(jobs.map(({ site }) => site))])),
  after: { 'site note': async (db, ids) => byId(await notesNamed(db, ids)) },
});
