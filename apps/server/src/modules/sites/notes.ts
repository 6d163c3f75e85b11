import { randomBytes } from 'node:crypto';
import type { LeftNote, SiteNote } from '@ant-trail/contract/sites';
import { timeOrderedId } from '@ant-trail/core/log';
import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notFound } from '../../refusals/refusal.ts';
import { SiteNoteRow, SiteRow } from './entities.ts';
import { tellOfSites } from './tell.ts';

const noteOf = ({ id, site, text, by, at, withdrawnBy }: SiteNoteRow): SiteNote => ({
  ...{ id, site, text, by },
  at: at.toISOString(),
  withdrawn: withdrawnBy !== null,
});

/** Notes at places, the newest first; those that were withdrawn as well, so that phones hear of it. */
export const notesAt = (db: EntityManager, sites: readonly string[]): Promise<SiteNote[]> =>
  notesWhere(db, { site: In([...sites]) });

/** Notes by their ids. */
export const notesNamed = (db: EntityManager, ids: readonly string[]): Promise<SiteNote[]> =>
  notesWhere(db, { id: In([...ids]) });

async function notesWhere(
  db: EntityManager,
  where: FindOptionsWhere<SiteNoteRow>,
): Promise<SiteNote[]> {
  const rows = await db.find(SiteNoteRow, {
    where,
    order: { id: 'DESC' },
  });
  return rows.map(noteOf);
}

/** Writes a note at a place; phones that have the place hear of it. */
export async function writeNote(
  db: EntityManager,
  { organisation, person }: Session,
  site: string,
  text: string,
): Promise<SiteNote> {
  if (!(await db.existsBy(SiteRow, { id: site }))) throw notFound('This site');
  const id = timeOrderedId(Date.now(), randomBytes(16));
  const note = { id, site, text, by: person, at: new Date().toISOString() };
  await keepNote(db, organisation, note);
  return { ...note, withdrawn: false };
}

/** Keeps a note, once; says whether it is new. */
export async function keepNote(
  db: EntityManager,
  organisation: string,
  { id, site, text, by, at }: LeftNote,
): Promise<boolean> {
  const added = await db
    .createQueryBuilder()
    .insert()
    .into(SiteNoteRow)
    .values({ id, org: organisation, site, text, by, at: new Date(at), withdrawnBy: null })
    .orIgnore()
    .returning('id')
    .execute();
  if ((added.raw as unknown[]).length === 0) return false;
  await tellOfSites(db, organisation, [{ kind: 'site note', ref: id, site }]);
  return true;
}

/** Takes a note that is no longer true from everybody's eyes; who did so stays known. */
export async function withdrawNote(
  db: EntityManager,
  { organisation, person }: Session,
  id: string,
): Promise<SiteNote> {
  const row = await db.findOneBy(SiteNoteRow, { id });
  if (!row) throw notFound('This note');
  if (row.withdrawnBy === null) {
    row.withdrawnBy = person;
    await db.update(SiteNoteRow, { id }, { withdrawnBy: person });
    await tellOfSites(db, organisation, [{ kind: 'site note', ref: id, site: row.site }]);
  }
  return noteOf(row);
}
