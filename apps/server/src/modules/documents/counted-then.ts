import type { DocumentThen } from '@ant-trail/contract/documents';
import type { EntityManager } from 'typeorm';
import { versionOf } from './documents.ts';

/** What a sheet was about. */
export interface SheetAbout {
  readonly site: string;
  readonly asset: string | null;
  readonly template: string;
}

/**
 * Which documents counted for a sheet at a moment, each in the version that counted then, whatever
 * became of document, version and attachment since.
 */
export async function countedThen(
  db: EntityManager,
  { site, asset, template }: SheetAbout,
  at: string,
): Promise<DocumentThen[]> {
  const rows = await db.query<
    (Parameters<typeof versionOf>[0] & { readonly name: string; readonly document: string })[]
  >(
    `SELECT d.name, v.id, v.document_id AS document, v.number, v.sha256, v.type, v.bytes, v.file, v.note, v.at, v.by
     FROM document d
     JOIN LATERAL (
       SELECT version_id FROM document_counted c
       WHERE c.document_id = d.id AND c.since <= $4 ORDER BY c.since DESC LIMIT 1
     ) then_ ON true
     JOIN document_version v ON v.id = then_.version_id
     WHERE d.id IN (
       SELECT l.document_id FROM document_link l
       WHERE l.since <= $4 AND (l.until IS NULL OR l.until > $4) AND (
         (l."to" = 'site' AND l.ref = $1) OR (l."to" = 'template' AND l.ref = $3)
         OR (l."to" = 'asset' AND l.ref = $2)
         OR (l."to" = 'kind' AND l.ref IN (
           SELECT k.id FROM asset_kind k JOIN asset a ON lower(trim(a.kind)) = lower(trim(k.name))
           WHERE a.id = $2)))
     )
     ORDER BY d.name, d.id`,
    [site, asset, template, at],
  );
  return rows.map(({ name, ...row }) => ({ id: row.document, name, version: versionOf(row) }));
}
