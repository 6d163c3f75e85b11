import type { ArrivalSeal } from '@ant-trail/contract/arrival';
import { hasSaid } from '@ant-trail/core/planning';
import type { EntityTable } from 'dexie';
import { bodiesOf, type LocalStore, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    arrivalSeals: EntityTable<ArrivalSeal, 'id'>;
  }
}

/**
 * Places at which nothing is to be done here any more keep nothing on this phone, sealed or not. Whoever
 * turned back may try again, so what is sealed stays; it is shown to nobody meanwhile.
 */
export async function letSealsGo(store: LocalStore): Promise<void> {
  const wanted = new Set<string>();
  for (const visit of await store.visits.toArray()) {
    const job = hasSaid(visit.events, 'left') ? undefined : await store.jobs.get(visit.job);
    if (job) wanted.add(job.site);
  }
  const kept = await store.arrivalSeals.toCollection().primaryKeys();
  await store.arrivalSeals.bulkDelete(kept.filter((site) => !wanted.has(site)));
}

/** What opens at the places of one's visits, sealed; and that it was opened. */
export const arrivalOnPhone = {
  tables: { 6: { arrivalSeals: 'id' } },
  records: {
    'arrival seal': {
      keep: async (store, records) => {
        const seals = bodiesOf(records);
        await store.arrivalSeals.bulkPut(seals.filter(({ withdrawn }) => !withdrawn));
        await store.arrivalSeals.bulkDelete(
          seals.filter(({ withdrawn }) => withdrawn).map(({ id }) => id),
        );
        await letSealsGo(store);
      },
    },
  },
  operations: {
    'arrival opened': {
      place: ({ visit }) => visit,
      say: () => 'Opening what is for whoever arrives',
    },
  },
  clearAway: letSealsGo,
} satisfies OnPhone;
