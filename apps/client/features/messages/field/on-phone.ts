import type { Told } from '@ant-trail/contract/messages';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    told: EntityTable<Told, 'id'>;
  }
}

/** Who was told that somebody is on the way. */
export const messagesOnPhone = {
  tables: { 9: { told: 'id, visit' } },
  records: { told: { keep: (store, records) => store.told.bulkPut(bodiesOf(records)) } },
  operations: {
    'on the way': {
      place: ({ visit }) => visit,
      say: ({ to }) => `The word to ${to.name} that you are on the way`,
      // Shown anew, as often as wanted: what the office says of it stands.
      show: async (store, { id, visit, to, at, minutes }) => {
        if (await store.told.get(id)) return;
        const there = new Date(Date.parse(at) + minutes * 60_000).toISOString();
        await store.told.put({ id, visit, to: to.name, at, there, outcome: 'waiting' });
      },
      takeBack: (store, { id }) => store.told.delete(id),
    },
  },
} satisfies OnPhone;
