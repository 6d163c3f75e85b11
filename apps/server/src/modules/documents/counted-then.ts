import type { DocumentThen } from '@ant-trail/contract/documents';
import type { EntityManager } from 'typeorm';
import { versionOf } from './documents.ts';

/** What a sheet was about; what its rows say of things is known by its id. */
export interface SheetAbout {
  readonly id: string;
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
  { id, site, asset, template }: SheetAbout,
  at: string,
): Promise<DocumentThen[]> {
  const rows = await db.query<
    (Parameters<typeof versionOf>[0] & { readonly name: string; readonly document: string })[]
  >(
    `WITH thing AS (
       SELECT a.id, a.kind FROM asset a
       WHERE a.id = $2 OR a.id IN (SELECT t.asset_id FROM sheet_thing t WHERE t.sheet_id = $5)
     )
     SELECT d.name, v.id, v.document_id AS document, v.number, v.sha256, v.type, v.bytes, v.file, v.note, v.at, v.by
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
         OR (l."to" = 'asset' AND l.ref IN (SELECT id FROM thing))
         OR (l."to" = 'kind' AND l.ref IN (
           SELECT k.id FROM asset_kind k JOIN thing ON lower(trim(thing.kind)) = lower(trim(k.name)))))
     )
     ORDER BY d.name, d.id`,
    [site, asset, template, at, id],
  );
  return rows.map(({ name, ...row }) => ({ id: row.document, name, version: versionOf(row) }));
}
