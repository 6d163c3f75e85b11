import type { EarlierAnswers, Series } from '@ant-trail/contract/capture';
import { parsePath } from '@ant-trail/core/log';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    series: EntityTable<Series & { id: string }, 'id'>;
    earlier: EntityTable<EarlierAnswers & { id: string }, 'id'>;
  }
}

/** The logs of one's sheets, what was read before, and what the visit before offers. */
export const captureOnPhone = {
  tables: { 1: { series: 'id, [site+template]' }, 2: { earlier: 'id' } },
  records: {
    entry: {
      keep: (store, records) =>
        store.entries.bulkPut(
          records.map(({ body: { body, receivedAt } }) => ({
            id: body.id,
            sheet: body.sheet,
            body,
            receivedAt,
          })),
        ),
    },
    series: {
      keep: (store, records) =>
        store.series.bulkPut(records.map(({ id, body }) => ({ ...body, id }))),
    },
    earlier: {
      keep: (store, records) =>
        store.earlier.bulkPut(records.map(({ id, body }) => ({ ...body, id }))),
    },
  },
  operations: {
    entry: {
      place: ({ sheet }) => sheet,
      say: ({ path, kind }) =>
        kind === 'finish'
          ? 'Finishing the sheet'
          : `An answer to “${parsePath(path)?.key.replaceAll('_', ' ') ?? path}”`,
      takeBack: (store, { id }) => store.entries.delete(id),
    },
  },
} satisfies OnPhone;
