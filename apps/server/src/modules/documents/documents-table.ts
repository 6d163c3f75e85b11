import { DocumentsQuery, type OfficeDocument } from '@ant-trail/contract/documents';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { listDocuments } from './list-documents.ts';

/** Documents, as they can be taken along. */
export const documentsTable = listTable({
  path: '/api/documents',
  name: 'Documents',
  allowed: 'read',
  query: DocumentsQuery,
  titles: ['Document', 'What is in it', 'Version', 'Of', 'File', 'Bytes', 'Id'],
  page: listDocuments,
  cells: () =>
    Promise.resolve(({ id, name, note, version }: OfficeDocument): Cell[] => [
      ...[name, note, version.number, version.at.slice(0, 10), version.file, version.bytes, id],
    ]),
});
