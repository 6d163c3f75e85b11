import { In, type EntityManager } from 'typeorm';
import { byId, phoneRecords } from '../../phones/record.ts';
import { SiteRow } from './entities.ts';
import { notesAt } from './notes.ts';
import { siteOf } from './site.ts';

async function sitesWith(db: EntityManager, ids: readonly string[]) {
  return byId((await db.findBy(SiteRow, { id: In([...ids]) })).map(siteOf));
}

/** The places of one's jobs. */
export const siteRecords = phoneRecords({
  kind: 'site',
  withJobs: (db, jobs) => sitesWith(db, [...new Set(jobs.map(({ site }) => site))]),
  after: { site: sitesWith },
});

/** Notes at the places of one's jobs. */
export const siteNoteRecords = phoneRecords({
  kind: 'site note',
  withJobs: async (db, jobs) => byId(await notesAt(db, [...new Set(jobs.map(({ site }) => site))])),
  after: { site: async (db, sites) => byId(await notesAt(db, sites)) },
});
