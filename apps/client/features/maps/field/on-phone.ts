import type { MapLayer } from '@ant-trail/contract/maps';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    mapLayers: EntityTable<MapLayer, 'id'>;
  }
}

/** The map goes to every phone whole; what is taken off it goes. */
export const mapsOnPhone = {
  tables: { 7: { mapLayers: 'id' } },
  records: {
    'map layer': {
      keep: async (store, records) => {
        const layers = records.map(({ body }) => body);
        await store.mapLayers.bulkPut(layers.filter(({ retired }) => !retired));
        await store.mapLayers.bulkDelete(
          layers.filter(({ retired }) => retired).map(({ id }) => id),
        );
      },
    },
  },
} satisfies OnPhone;
