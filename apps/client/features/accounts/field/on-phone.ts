import type { Colleague } from '@ant-trail/contract/sync';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';
import { LapsedNotice } from '../lapsed-notice.tsx';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    people: EntityTable<Colleague, 'id'>;
  }
}

/** Colleagues by name, and whether the office knows who is here. */
export const accountsOnPhone = {
  tables: { 1: { people: 'id' } },
  notices: [LapsedNotice],
  records: { person: { keep: (store, records) => store.people.bulkPut(bodiesOf(records)) } },
} satisfies OnPhone;
