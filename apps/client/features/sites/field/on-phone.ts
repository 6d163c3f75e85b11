import type { Site, SiteNote } from '@ant-trail/contract/sites';
import type { EntityTable } from 'dexie';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    sites: EntityTable<Site, 'id'>;
    siteNotes: EntityTable<SiteNote, 'id'>;
  }
}

/** The places of one's jobs, with what whoever comes next should know. */
export const sitesOnPhone = {
  tables: { 1: { sites: 'id' }, 5: { siteNotes: 'id, site' } },
  records: {
    site: { keep: (store, records) => store.sites.bulkPut(bodiesOf(records)) },
    'site note': { keep: (store, records) => store.siteNotes.bulkPut(bodiesOf(records)) },
  },
  leaveOtherBranches: async (store, branch) => {
    const needed = new Set((await store.jobs.toArray()).map(({ site }) => site));
    const others = await store.sites
      .filter((site) => site.branch !== undefined && site.branch !== branch && !needed.has(site.id))
      .primaryKeys();
    await store.sites.bulkDelete(others);
    await store.siteNotes.where('site').anyOf(others).delete();
  },
  operations: {
    'place found': {
      place: ({ id }) => id,
      say: ({ name }) => `The place “${name}”, found here`,
      show: async (store, { id, name, address, lat, lon, sure, by, at }) => {
        // The office’s own word on it stands above what was told from here.
        if (await store.sites.get(id)) return;
        await store.sites.add({
          ...{ id, name, address, lat, lon, client: '', number: '', access: '' },
          ...{ hazards: [], contacts: [], retired: false, found: { sure, by, at } },
        });
      },
      takeBack: (store, { id }) => store.sites.delete(id),
    },
    'site note': {
      place: ({ site }) => site,
      say: ({ text }) => `The note “${text}”`,
      show: (store, note) => store.siteNotes.put({ ...note, withdrawn: false }),
      takeBack: (store, { id }) => store.siteNotes.delete(id),
    },
  },
} satisfies OnPhone;
