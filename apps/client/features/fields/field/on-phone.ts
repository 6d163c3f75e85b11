import type { OwnFields } from '@ant-trail/contract/fields';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    ownFields: EntityTable<OwnFields, 'id'>;
  }
}

/** How what is known by the office's own fields is read. */
export const fieldsOnPhone = {
  tables: { 8: { ownFields: 'id, holder' } },
  records: {
    'own fields': { keep: (store, records) => store.ownFields.bulkPut(bodiesOf(records)) },
  },
} satisfies OnPhone;
