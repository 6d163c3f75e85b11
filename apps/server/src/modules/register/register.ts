import { randomUUID } from 'node:crypto';
import type { Asset, AssetChange, AssetDraft } from '@ant-trail/contract/register';
import { byName, problemWithPlacing, type RowThing } from '@ant-trail/core/register';
import { In, type EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { SiteRow } from '../sites/entities.ts';
import { tellOfSites } from '../sites/tell.ts';
import { AssetRow } from './entities.ts';
import { noteEvents, type Happened } from './events.ts';
import { mustFitKind } from './kinds.ts';

export const assetOf = (row: AssetRow): Asset => {
  const { id, site, kind, name, retired, area, within, condition, facts, shape } = row;
  const { purposes, alsoIn } = row;
  return {
    ...{ id, site, kind, name, retired, area, within, condition, facts, shape },
    ...{ purposes, alsoIn },
  };
};

export async function assetsOf(db: EntityManager, sites: readonly string[]): Promise<Asset[]> {
  if (sites.length === 0) return [];
  const rows = await db.findBy(AssetRow, { site: In([...sites]) });
  return rows.map(assetOf).sort(byName);
}

export async function assetsAt(db: EntityManager, site: string): Promise<Asset[]> {
  await mustBeSite(db, site);
  return assetsOf(db, [site]);
}

export async function mustBeSite(db: EntityManager, site: string): Promise<SiteRow> {
  const row = await db.findOneBy(SiteRow, { id: site });
  if (!row) throw notFound('This place');
  return row;
}

export async function findAsset(db: EntityManager, id: string): Promise<AssetRow> {
  const row = await db.findOneBy(AssetRow, { id });
  if (!row) throw notFound('This thing');
  return row;
}

/** Tells phones and desks that things changed. */
export const tellOfAssets = (
  db: EntityManager,
  org: string,
  things: readonly Pick<AssetRow, 'id' | 'site'>[],
): Promise<void> =>
  tellOfSites(
    db,
    org,
    things.map(({ id, site }) => ({ kind: 'asset', ref: id, site })),
  );

export async function addAsset(
  db: EntityManager,
  { organisation: org, person }: Session,
  site: string,
  draft: AssetDraft,
): Promise<Asset> {
  await mustBeSite(db, site);
  await mustFitKind(db, draft.kind, draft.facts);
  // What it is to stand in could be moved away meanwhile.
  if (draft.within !== null) await oneAtATime(db, 'register', org);
  const id = randomUUID();
  await mustStandWithin(db, { id, area: draft.area }, site, draft.within);
  await mustBeAreas(db, { id, site }, draft.alsoIn);
  const row: AssetRow = {
    ...{ id, org, site, ...draft },
    ...{ retired: false, condition: 'unknown', foundIn: null },
  };
  await db.insert(AssetRow, row);
  await noteEvents(db, org, [{ asset: id, kind: 'entered', by: person, became: draft.name }]);
  await tellOfAssets(db, org, [row]);
  return assetOf(row);
}

const PLACING_WORDS = {
  'not there': 'What it should stand in is not at this place.',
  'in itself': 'A thing can’t stand in itself, or in what it holds.',
  'area in a thing': 'An area can’t stand in a thing.',
} as const;

/** Throws a Refusal where a thing can't stand there. */
export async function mustStandWithin(
  db: EntityManager,
  thing: Pick<Asset, 'id' | 'area'>,
  site: string,
  within: string | null,
): Promise<void> {
  if (within === null) return;
  const problem = problemWithPlacing(thing, within, await db.findBy(AssetRow, { site }));
  if (problem) throw new Refusal(422, 'no-such-standing', PLACING_WORDS[problem]);
}

/** Throws a Refusal where something is to belong to what is no other area of its place. */
async function mustBeAreas(
  db: EntityManager,
  { id, site }: Pick<Asset, 'id' | 'site'>,
  areas: readonly string[],
): Promise<void> {
  const wanted = [...new Set(areas)];
  if (wanted.length === 0) return;
  const found = await db.countBy(AssetRow, { id: In(wanted), site, area: true });
  if (found < wanted.length || wanted.includes(id))
    throw new Refusal(
      422,
      'no-such-area',
      'A thing can only belong to other areas of the place it stands at.',
    );
}

/** Takes over what changed of a thing, and notes what that was. */
export async function changeAsset(
  db: EntityManager,
  { organisation: org, person }: Session,
  id: string,
  { note = '', ...change }: AssetChange,
): Promise<Asset> {
  const row = await findAsset(db, id);
  if (change.facts || change.kind)
    await mustFitKind(db, change.kind ?? row.kind, change.facts ?? {}, row.facts);
  if (change.alsoIn) await mustBeAreas(db, row, change.alsoIn);
  const after = { ...row, ...change };
  if (Object.keys(change).length > 0) await db.update(AssetRow, { id }, change);
  await noteEvents(db, org, [...whatHappened(row, after, person, note)]);
  await tellOfAssets(db, org, [row]);
  return assetOf(after);
}

function* whatHappened(
  before: AssetRow,
  after: AssetRow,
  by: string,
  note: string,
): Generator<Happened> {
  const own = { asset: before.id, by, note };
  if (before.name !== after.name)
    yield { ...own, kind: 'renamed', was: before.name, became: after.name };
  if (before.condition !== after.condition)
    yield { ...own, kind: 'condition', was: before.condition, became: after.condition };
  const known = ({ facts, alsoIn }: AssetRow): string => JSON.stringify([facts, alsoIn]);
  if (known(before) !== known(after)) yield { ...own, kind: 'facts' };
  if (before.retired !== after.retired)
    yield { ...own, kind: after.retired ? 'retired' : 'brought back' };
}

/** Puts into the register what has a row in a sheet and was not known: it was found on site. */
export async function registerFound(
  db: EntityManager,
  org: string,
  at: { readonly sheet: string; readonly site: string },
  things: readonly RowThing[],
): Promise<void> {
  if (things.length === 0) return;
  const fresh = await db.query<{ id: string; name: string }[]>(
    `INSERT INTO asset (org_id, id, site_id, kind, name, found_in)
     SELECT $1, id, $2, kind, name, $3
     FROM jsonb_to_recordset($4::jsonb) AS thing (id uuid, kind text, name text)
     ON CONFLICT DO NOTHING RETURNING id, name`,
    [org, at.site, at.sheet, JSON.stringify(things)],
  );
  if (fresh.length === 0) return;
  await noteEvents(
    db,
    org,
    fresh.map(({ id, name }) => ({ asset: id, kind: 'found', by: null, became: name })),
  );
  await tellOfAssets(
    db,
    org,
    fresh.map(({ id }) => ({ id, site: at.site })),
  );
}
