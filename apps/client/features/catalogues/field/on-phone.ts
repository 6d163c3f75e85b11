import type { KeptCatalogue } from '@ant-trail/contract/catalogues';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    catalogues: EntityTable<KeptCatalogue, 'id'>;
  }
}

/** Catalogues go to every phone whole. */
export const cataloguesOnPhone = {
  tables: { 2: { catalogues: 'id, key' } },
  records: { catalogue: { keep: (store, records) => store.catalogues.bulkPut(bodiesOf(records)) } },
} satisfies OnPhone;
