import {
  contactsToLookUp,
  ownersToLookUp,
  thingsToLookUp,
  type Catalogue,
  type OurList,
} from '@ant-trail/core/catalogues';
import { listThings } from '@ant-trail/core/register';
import { In, type EntityManager } from 'typeorm';
import { assetKinds } from '../register/kinds.ts';
import { assetsAt, mustBeSite } from '../register/register.ts';
import { SiteRow } from '../sites/entities.ts';
import { TagRow } from '../tags/entities.ts';

/** What a question of a sheet at a place looks in, as a phone of its branch would show it there. */
export async function ourList(db: EntityManager, list: OurList, site: string): Promise<Catalogue> {
  if (list === 'our_things') return thingsAt(db, site);
  const { branch } = await mustBeSite(db, site);
  const places = (await db.findBy(SiteRow, { branch })).filter(
    ({ id, retired }) => !retired || id === site,
  );
  return list === 'our_contacts'
    ? contactsToLookUp(places, site)
    : ownersToLookUp(list, places, site);
}

async function thingsAt(db: EntityManager, site: string): Promise<Catalogue> {
  const assets = await assetsAt(db, site);
  const tags = await db.findBy(TagRow, { asset: In(assets.map(({ id }) => id)) });
  const numbers = new Map(tags.map(({ asset, number }) => [asset ?? '', number]));
  return thingsToLookUp(listThings(assets, await assetKinds(db), numbers));
}
