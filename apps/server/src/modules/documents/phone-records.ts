import { byId, phoneRecords } from '../../phones/record.ts';
import { documentsInUse, documentsWith } from './documents.ts';

/** What documents there are goes to every phone; their files only where they are needed. */
export const documentRecords = phoneRecords({
  kind: 'document',
  forAll: async (db) => byId(await documentsInUse(db)),
  after: { document: async (db, ids) => byId(await documentsWith(db, ids)) },
});
