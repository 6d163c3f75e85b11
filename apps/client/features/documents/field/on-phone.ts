import type { OfficeDocument } from '@ant-trail/contract/documents';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';
import { fetchDocuments } from './fetch-documents.ts';

/** The file of one version of a document, kept on this phone. */
export interface KeptFile {
  readonly sha256: string;
  readonly document: string;
  readonly number: number;
  readonly type: string;
  readonly bytes: Blob;
}

declare module '@/device/local-store.ts' {
  interface LocalStore {
    documents: EntityTable<OfficeDocument, 'id'>;
    documentFiles: EntityTable<KeptFile, 'sha256'>;
    /** Documents somebody wants to have here whatever their work. */
    documentsWanted: EntityTable<{ id: string }, 'id'>;
  }
}

/** What documents there are, and the files of those that are needed here. */
export const documentsOnPhone = {
  tables: { 8: { documents: 'id', documentFiles: 'sha256, document', documentsWanted: 'id' } },
  records: {
    document: {
      keep: async (store, records) => {
        const documents = records.map(({ body }) => body);
        await store.documents.bulkPut(documents.filter(({ retired }) => !retired));
        await store.documents.bulkDelete(
          documents.filter(({ retired }) => retired).map(({ id }) => id),
        );
      },
    },
  },
  fetchBehind: fetchDocuments,
} satisfies OnPhone;
