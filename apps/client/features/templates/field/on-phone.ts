import type { TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    templates: EntityTable<TemplateVersion, 'id'>;
  }
}

/** The versions one's sheets were begun under. */
export const templatesOnPhone = {
  tables: { 1: { templates: 'id' } },
  records: { template: { keep: (store, records) => store.templates.bulkPut(bodiesOf(records)) } },
} satisfies OnPhone;
