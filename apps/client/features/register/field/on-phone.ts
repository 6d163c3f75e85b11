import type { Asset, AssetKind } from '@ant-trail/contract/register';
import type { EntityTable, Transaction } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    assets: EntityTable<Asset, 'id'>;
    assetKinds: EntityTable<AssetKind, 'id'>;
  }
}

/** Things stood in a row once: in no area, in an unknown condition, with no facts. */
async function giveThingsTheirPlace(store: Transaction): Promise<void> {
  await store
    .table<Asset>('assets')
    .toCollection()
    .modify((asset) => {
      Object.assign(asset, {
        ...{ area: false, within: null, condition: 'unknown', facts: {}, purposes: [] },
        ...asset,
      });
    });
}

/** Things were in the one area they stand in, and in no other. */
async function giveThingsTheirAreas(store: Transaction): Promise<void> {
  await store
    .table<Partial<Asset>>('assets')
    .toCollection()
    .modify((asset) => {
      asset.alsoIn ??= [];
    });
}

/** What stands at the places of one's branch, and what is known of each kind of thing. */
export const registerOnPhone = {
  tables: { 2: { assets: 'id, site' }, 6: { assets: 'id, site, within', assetKinds: 'id' } },
  upgrades: { 6: giveThingsTheirPlace, 9: giveThingsTheirAreas },
  // Things go with their place.
  leaveOtherBranches: async (store) => {
    const kept = new Set<unknown>(await store.sites.toCollection().primaryKeys());
    const left = (await store.assets.orderBy('site').uniqueKeys()).filter((id) => !kept.has(id));
    await store.assets.where('site').anyOf(left).delete();
  },
  records: {
    asset: { keep: (store, records) => store.assets.bulkPut(bodiesOf(records)) },
    'asset kind': { keep: (store, records) => store.assetKinds.bulkPut(bodiesOf(records)) },
  },
} satisfies OnPhone;
