import { randomUUID } from 'node:crypto';
import type { Asset, AssetChange, AssetDraft } from '@ant-trail/contract/register';
import { byName, type RowThing } from '@ant-trail/core/register';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound } from '../../refusals/refusal.ts';
import { SiteRow } from '../sites/entities.ts';
import { AssetRow } from './entities.ts';

const assetOf = ({ id, site, kind, name, retired }: AssetRow): Asset => ({
  id,
  site,
  kind,
  name,
  retired,
});

export async function assetsOf(db: EntityManager, sites: readonly string[]): Promise<Asset[]> {
  if (sites.length === 0) return [];
  const rows = await db.findBy(AssetRow, { site: In([...sites]) });
  return rows.map(assetOf).sort(byName);
}

export async function assetsAt(db: EntityManager, site: string): Promise<Asset[]> {
  if (!(await db.existsBy(SiteRow, { id: site }))) throw notFound('This place');
  return assetsOf(db, [site]);
}

export async function addAsset(
  db: EntityManager,
  org: string,
  site: string,
  draft: AssetDraft,
): Promise<Asset> {
  if (!(await db.existsBy(SiteRow, { id: site }))) throw notFound('This place');
  const row = { id: randomUUID(), org, site, ...draft, retired: false, foundIn: null };
  await db.insert(AssetRow, row);
  await announce(db, org, [{ kind: 'site', ref: site, reach: site }]);
  return assetOf(row);
}

export async function changeAsset(
  db: EntityManager,
  org: string,
  id: string,
  change: AssetChange,
): Promise<Asset> {
  const row = await db.findOneBy(AssetRow, { id });
  if (!row) throw notFound('This asset');
  await db.update(AssetRow, { id }, change);
  await announce(db, org, [{ kind: 'site', ref: row.site, reach: row.site }]);
  return assetOf({ ...row, ...change });
}

/** Puts into the register what has a row in a sheet and was not known: it was found on site. */
export async function registerFound(
  db: EntityManager,
  org: string,
  at: { readonly sheet: string; readonly site: string },
  things: readonly RowThing[],
): Promise<void> {
  if (things.length === 0) return;
  const fresh = await db.query<unknown[]>(
    `INSERT INTO asset (org_id, id, site_id, kind, name, found_in)
     SELECT $1, id, $2, kind, name, $3
     FROM jsonb_to_recordset($4::jsonb) AS thing (id uuid, kind text, name text)
     ON CONFLICT DO NOTHING RETURNING id`,
    [org, at.site, at.sheet, JSON.stringify(things)],
  );
  if (fresh.length > 0) await announce(db, org, [{ kind: 'site', ref: at.site, reach: at.site }]);
}
