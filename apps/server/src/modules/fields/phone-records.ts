import { byId, phoneRecords } from '../../phones/record.ts';
import { ownFields, ownFieldsWith } from './own-fields.ts';

/** How what is known by the office's own fields is read goes to every phone. */
export const ownFieldRecords = phoneRecords({
  kind: 'own fields',
  forAll: async (db) => byId(await ownFields(db)),
  after: { 'own fields': async (db, ids) => byId(await ownFieldsWith(db, ids)) },
});
