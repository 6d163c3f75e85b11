import { byId, phoneRecords } from '../../phones/record.ts';
import { allCatalogues, cataloguesWith } from './catalogues.ts';

/** Catalogues go to every phone whole. */
export const catalogueRecords = phoneRecords({
  kind: 'catalogue',
  forAll: async (db) => byId(await allCatalogues(db)),
  after: { catalogue: async (db, ids) => byId(await cataloguesWith(db, ids)) },
});
