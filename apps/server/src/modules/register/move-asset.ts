import type { Asset, AssetMove } from '@ant-trail/contract/register';
import { heldBy, wayTo } from '@ant-trail/core/register';
import { In, type EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import { AssetRow } from './entities.ts';
import { noteEvents } from './events.ts';
import { assetOf, findAsset, mustBeSite, mustStandWithin, tellOfAssets } from './register.ts';

/** Moves a thing, with all that stands in it, within its site or to another one. */
export async function moveAsset(
  db: EntityManager,
  { organisation: org, person }: Session,
  id: string,
  { site, within }: AssetMove,
): Promise<Asset> {
  // Two moves at once could put two things into each other.
  await oneAtATime(db, 'register', org);
  const row = await findAsset(db, id);
  if (row.site === site && row.within === within) return assetOf(row);
  const [from, to] = [await mustBeSite(db, row.site), await mustBeSite(db, site)];
  await mustStandWithin(db, row, site, within);
  const there = await db.findBy(AssetRow, { site: In([row.site, site]) });
  const held = [...heldBy(id, there)];
  // What it belonged to stays behind.
  const away = row.site === site ? {} : { site, alsoIn: [] };
  if (row.site !== site && held.length > 0) await db.update(AssetRow, { id: In(held) }, away);
  await db.update(AssetRow, { id }, { ...away, within });
  const known = new Map(there.map((each) => [each.id, each]));
  const say = (place: string, thing: Pick<AssetRow, 'within'>): string => {
    const way = wayTo({ ...row, ...thing }, known).map(({ name }) => name);
    return [...(from.id === to.id ? [] : [place]), ...way].join(', ') || place;
  };
  await noteEvents(db, org, [
    {
      ...{ asset: id, kind: 'moved', by: person },
      ...{ was: say(from.name, row), became: say(to.name, { within }) },
    },
  ]);
  // Those who had it, and those who have it now.
  const moved = row.site === site ? [id] : [id, ...held];
  await tellOfAssets(
    db,
    org,
    [...new Set([row.site, site])].flatMap((at) => moved.map((each) => ({ id: each, site: at }))),
  );
  return assetOf({ ...row, ...away, within });
}
