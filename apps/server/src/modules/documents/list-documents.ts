import type { DocumentsQuery, OfficeDocument } from '@ant-trail/contract/documents';
import type { EntityManager } from 'typeorm';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { documentsWith } from './documents.ts';
import { DocumentRow } from './entities.ts';

/** Documents that are looked for, a page at a time. */
export async function listDocuments(
  db: EntityManager,
  asked: DocumentsQuery,
): Promise<{ rows: OfficeDocument[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(DocumentRow, 'd')
    .where('d.retired = :retired', { retired: asked.retired === 'yes' });
  const { to, ref } = asked;
  if (to && ref)
    query.andWhere(
      `EXISTS (SELECT FROM document_link l
               WHERE l.document_id = d.id AND l."to" = :to AND l.ref = :ref AND l.until IS NULL)`,
      { to, ref },
    );
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(`d.words LIKE :word${at}`, { [`word${at}`]: pattern });
  const page = await listPage(
    db,
    query,
    {
      columns: [
        { sql: 'd.name', holds: 'text' },
        { sql: 'd.id', holds: 'uuid' },
      ],
      descending: asked.order.startsWith('-'),
    },
    { ...asked, dear: Boolean(asked.text ?? ref) },
  );
  return { ...page, rows: inOrderOf(page.ids, await documentsWith(db, page.ids)) };
}
