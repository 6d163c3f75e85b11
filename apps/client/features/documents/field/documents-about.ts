import type { OfficeDocument } from '@ant-trail/contract/documents';
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
  return {
    site: new Set([site]),
    asset: new Set(assets.map(({ id }) => id)),
    kind: await kindsOf(
      store,
      assets.map(({ kind }) => kind),
    ),
    template: new Set(templates),
  };
}

/** One thing alone. */
export async function aboutThing(
  store: LocalStore,
  thing: { readonly id: string; readonly kind: string },
): Promise<About> {
  return {
    ...{ site: new Set(), template: new Set() },
    asset: new Set([thing.id]),
    kind: await kindsOf(store, [thing.kind]),
  };
}

async function kindsOf(store: LocalStore, names: readonly string[]): Promise<Set<string>> {
  const kinds = await store.assetKinds.toArray();
  const there = [...new Set(names)];
  return new Set(
    kinds.filter(({ name }) => there.some((each) => sameKind(each, name))).map(({ id }) => id),
  );
}

/** Documents about something, by name. */
export async function documentsAbout(store: LocalStore, about: About): Promise<OfficeDocument[]> {
  const all = await store.documents.toArray();
  return all
    .filter(({ links }) => isAbout(links, about))
    .sort((a, b) => a.name.localeCompare(b.name));
}
