import type { KeptRound } from '@ant-trail/contract/rounds';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    rounds: EntityTable<KeptRound, 'id'>;
  }
}

/** What is walked again and again, with its next days. */
export const roundsOnPhone = {
  tables: { 9: { rounds: 'id, person' } },
  records: {
    round: {
      keep: (store, records) => store.rounds.bulkPut(bodiesOf(records)),
    },
  },
} satisfies OnPhone;
