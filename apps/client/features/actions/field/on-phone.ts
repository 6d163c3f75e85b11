import type { ActionDraft } from '@ant-trail/contract/actions';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    actions: EntityTable<ActionDraft, 'id'>;
  }
}

/** Corrective actions opened here. */
export const actionsOnPhone = {
  tables: { 1: { actions: 'id, sheet' } },
  operations: {
    action: {
      place: ({ sheet }) => sheet ?? '',
      say: ({ title }) => `The action “${title}”`,
      takeBack: (store, { id }) => store.actions.delete(id),
    },
  },
} satisfies OnPhone;
