import type { Asset } from '@ant-trail/contract/register';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    assets: EntityTable<Asset, 'id'>;
  }
}

/** What stands at the places of one's jobs. */
export const registerOnPhone = {
  tables: { 2: { assets: 'id, site' } },
  records: { asset: { keep: (store, records) => store.assets.bulkPut(bodiesOf(records)) } },
} satisfies OnPhone;
