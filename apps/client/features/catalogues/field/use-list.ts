import {
  contactsToLookUp,
  isOurList,
  ownersToLookUp,
  thingsToLookUp,
  type Catalogue,
  type OurList,
} from '@ant-trail/core/catalogues';
import { listThings } from '@ant-trail/core/register';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';

/**
 * What a question looks in: a catalogue the office brought in, or what the phone knows of places and
 * things anyway. Undefined while it is read; null where the phone has no such catalogue.
 */
export function useList(
  store: LocalStore,
  key: string,
  site: string,
): Catalogue | null | undefined {
  return useLive(() => listKept(store, key, site), [store, key, site]);
}

/** The same, once; null where the phone has no such catalogue. */
export async function listKept(
  store: LocalStore,
  key: string,
  site: string,
): Promise<Catalogue | null> {
  if (isOurList(key)) return ourList(store, key, site);
  return (await store.catalogues.where('key').equals(key).first()) ?? null;
}

async function ourList(store: LocalStore, list: OurList, site: string): Promise<Catalogue> {
  if (list === 'our_things') return thingsAt(store, site);
  const places = (await store.sites.toArray()).filter(({ id, retired }) => !retired || id === site);
  return list === 'our_contacts'
    ? contactsToLookUp(places, site)
    : ownersToLookUp(list, places, site);
}

async function thingsAt(store: LocalStore, site: string): Promise<Catalogue> {
  const assets = await store.assets.where('site').equals(site).toArray();
  const tags = await store.tags
    .where('asset')
    .anyOf(assets.map(({ id }) => id))
    .toArray();
  const numbers = new Map(tags.map(({ asset, number }) => [asset ?? '', number]));
  return thingsToLookUp(listThings(assets, await store.assetKinds.toArray(), numbers));
}
