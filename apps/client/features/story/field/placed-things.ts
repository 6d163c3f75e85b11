import type { Asset } from '@ant-trail/contract/register';
import { wayTo } from '@ant-trail/core/register';
import type { LocalStore } from '@/device/local-store.ts';
import type { PlacedThing } from './thing-line.tsx';

/** Things with where they stand: the place, then what they stand in there. */
export async function placedThings(
  store: LocalStore,
  things: readonly Asset[],
  withSite = true,
): Promise<PlacedThing[]> {
  const outer = await outerOf(store, things);
  const sites = await store.sites.bulkGet(things.map(({ site }) => site));
  const tags = await store.tags
    .where('asset')
    .anyOf(things.map(({ id }) => id))
    .toArray();
  const numbers = new Map(tags.map(({ asset, number }) => [asset, number]));
  return things.map((thing, index) => ({
    thing,
    where: [
      ...(withSite ? [sites[index]?.name ?? ''] : []),
      ...wayTo(thing, outer).map(({ name }) => name),
    ].join(', '),
    number: numbers.get(thing.id) ?? null,
  }));
}

/** All that these things stand in, however deep. */
async function outerOf(
  store: LocalStore,
  things: readonly Asset[],
): Promise<ReadonlyMap<string, Asset>> {
  const known = new Map(things.map((thing) => [thing.id, thing]));
  let wanted = things;
  while (wanted.length > 0) {
    const missing = wanted.flatMap(({ within }) =>
      within !== null && !known.has(within) ? [within] : [],
    );
    const found = await store.assets.bulkGet([...new Set(missing)]);
    wanted = found.flatMap((each) => each ?? []);
    for (const each of wanted) known.set(each.id, each);
  }
  return known;
}
