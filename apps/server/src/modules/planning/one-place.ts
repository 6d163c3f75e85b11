import type { Site } from '@ant-trail/contract/sites';
import type { EntityManager } from 'typeorm';
import { markDue } from '../../log/due.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { SiteRow } from '../sites/entities.ts';
import { siteOf } from '../sites/site.ts';
import { tellOfSites } from '../sites/tell.ts';
import { announceJob } from './jobs.ts';

/** Everything that was done or stands at a place; what is only derived of it is folded anew. */
const AT_A_PLACE = ['job', 'asset', 'action', 'site_note'] as const;

/** A place told from the field is one the office had all along: what was done there was done here. */
export async function makeOnePlace(
  db: EntityManager,
  organisation: string,
  found: string,
  known: string,
): Promise<Site> {
  const sites = await db.query<{ id: string }[]>(
    `SELECT id FROM site WHERE id = ANY ($1) ORDER BY id FOR UPDATE`,
    [[found, known]],
  );
  if (sites.length < 2) throw notFound('This place');
  const from = await db.findOneByOrFail(SiteRow, { id: found });
  const to = await db.findOneByOrFail(SiteRow, { id: known });
  if (from.found === null)
    throw new Refusal(
      409,
      'not-now',
      `${from.name} is a place of the office’s own: retire it instead.`,
    );
  if (to.retired) throw new Refusal(409, 'retired', `${to.name} is retired: choose another.`);
  const jobs = await db.query<{ id: string }[]>(`SELECT id FROM job WHERE site_id = $1`, [found]);
  const sheets = await db.query<{ id: string }[]>(
    `SELECT s.id FROM sheet s JOIN job j ON j.id = s.job_id WHERE j.site_id = $1`,
    [found],
  );
  const things = await db.query<{ id: string }[]>(`SELECT id FROM asset WHERE site_id = $1`, [
    found,
  ]);
  for (const table of AT_A_PLACE)
    await db.query(`UPDATE ${table} SET site_id = $2 WHERE site_id = $1`, [found, known]);
  await db.query(`DELETE FROM reading WHERE site_id = $1`, [found]);
  await db.update(SiteRow, { id: found }, { retired: true, found: null });
  await markDue(
    db,
    organisation,
    sheets.map(({ id }) => id),
  );
  await tellOfSites(db, organisation, [
    ...[found, known].map((id) => ({ kind: 'site' as const, ref: id, site: id })),
    ...things.map(({ id }) => ({ kind: 'asset' as const, ref: id, site: known })),
  ]);
  for (const { id } of jobs) await announceJob(db, organisation, id);
  return siteOf(await db.findOneByOrFail(SiteRow, { id: known }));
}
