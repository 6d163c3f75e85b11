import { ThingFinder } from '@ant-trail/core/story';
import { useDeferredValue } from 'react';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** What was made ready last, for whoever comes back to looking. */
const ready = new WeakMap<LocalStore, ThingFinder>();

async function makeFinder(store: LocalStore): Promise<ThingFinder> {
  const [things, sites, tags] = await Promise.all([
    store.assets.toArray(),
    store.sites.toArray(),
    store.tags.toArray(),
  ]);
  const siteNames = new Map(sites.map(({ id, name }) => [id, name]));
  const numbers = new Map(tags.map(({ asset, number }) => [asset, number]));
  const finder = new ThingFinder(
    things
      .filter(({ retired }) => !retired)
      .map(({ id, name, kind, site }) => ({
        ...{ id, name, kind, siteName: siteNames.get(site) ?? '' },
        number: numbers.get(id) ?? '',
      })),
  );
  ready.set(store, finder);
  return finder;
}

/** All things this phone knows, ready to be looked for; undefined while it gets them ready first. */
export function useFinder(): ThingFinder | undefined {
  const { store } = usePhone();
  const made = useLive(() => makeFinder(store), [store]);
  return useDeferredValue(made ?? ready.get(store));
}
