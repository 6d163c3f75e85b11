import { byId, phoneRecords } from '../../phones/record.ts';
import { allLayers, layersWith } from './layers.ts';

/** The map goes to every phone whole. */
export const mapRecords = phoneRecords({
  kind: 'map layer',
  forAll: async (db) => byId(await allLayers(db)),
  after: { map: async (db, ids) => byId(await layersWith(db, ids)) },
});
