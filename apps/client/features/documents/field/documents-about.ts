import type { OfficeDocument } from '@ant-trail/contract/documents';
import type { Asset, AssetKind } from '@ant-trail/contract/register';
import { isAbout, type About } from '@ant-trail/core/documents';
import { sameKind } from '@ant-trail/core/register';
import type { LocalStore } from '@/device/local-store.ts';

/** A place with all that stands there, and the sheets that are filled in there. */
export async function aboutPlace(
  store: LocalStore,
  site: string,
  templates: readonly string[],
): Promise<About> {
  const assets = await store.assets.where('site').equals(site).toArray();
  return aboutAll([site], assets, await store.assetKinds.toArray(), templates);
}

/** One thing alone. */
export async function aboutThing(
  store: LocalStore,
  thing: { readonly id: string; readonly kind: string },
): Promise<About> {
  return aboutAll([], [thing], await store.assetKinds.toArray(), []);
}

/** Places, things with their kinds, and templates. */
export function aboutAll(
  sites: readonly string[],
  assets: readonly Pick<Asset, 'id' | 'kind'>[],
  kinds: readonly AssetKind[],
  templates: readonly string[],
): About {
  const there = [...new Set(assets.map(({ kind }) => kind))];
  return {
    site: new Set(sites),
    asset: new Set(assets.map(({ id }) => id)),
    kind: new Set(
      kinds.filter(({ name }) => there.some((each) => sameKind(each, name))).map(({ id }) => id),
    ),
    template: new Set(templates),
  };
}

/** Documents about something, by name. */
export async function documentsAbout(store: LocalStore, about: About): Promise<OfficeDocument[]> {
  const all = await store.documents.toArray();
  return all
    .filter(({ links }) => isAbout(links, about))
    .sort((a, b) => a.name.localeCompare(b.name));
}
