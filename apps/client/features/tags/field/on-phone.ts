import type { Tag } from '@ant-trail/contract/tags';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';
import { showWaiting } from '@/device/waiting.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    tags: EntityTable<Tag, 'id'>;
  }
}

/** The labels on things; one that was bound here is so at once. */
export const tagsOnPhone = {
  tables: { 6: { tags: 'id, number, asset' } },
  records: {
    tag: {
      keep: async (store, records) => {
        await store.tags.bulkPut(records.map(({ body }) => body));
        await showWaiting(store);
      },
    },
  },
  // Labels go with the thing they are on.
  leaveOtherBranches: async (store) => {
    const kept = new Set(await store.assets.toCollection().primaryKeys());
    await store.tags.filter(({ asset }) => asset !== null && !kept.has(asset)).delete();
  },
  operations: {
    'label bound': {
      place: ({ asset }) => asset,
      say: () => 'A label put on a thing',
      show: async (store, { tag, asset, instead, at }) => {
        if (instead) await store.tags.update(instead, { asset: null, boundAt: null });
        const known = await store.tags.get(tag);
        // Of a label that was loose the phone knows nothing but its code.
        await store.tags.put({ id: tag, number: known?.number ?? '', asset, boundAt: at });
      },
      takeBack: async (store, { tag, asset, from, instead }) => {
        await store.tags.update(tag, { asset: from, boundAt: null });
        if (instead) await store.tags.update(instead, { asset, boundAt: null });
      },
    },
  },
} satisfies OnPhone;
