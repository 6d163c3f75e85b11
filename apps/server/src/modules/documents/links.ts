import { LINKED_TO, type DocumentLink } from '@ant-trail/core/documents';
import type { EntityManager } from 'typeorm';
import { Refusal } from '../../refusals/refusal.ts';

/** What documents are attached to now, by their ids. */
export async function linksOf(
  db: EntityManager,
  documents: readonly string[],
): Promise<Map<string, DocumentLink[]>> {
  const rows = await db.query<({ document: string } & DocumentLink)[]>(
    `SELECT document_id AS document, "to", ref FROM document_link
     WHERE document_id = ANY ($1) AND until IS NULL ORDER BY since, ref`,
    [documents],
  );
  const links = new Map<string, DocumentLink[]>();
  for (const { document, to, ref } of rows)
    links.set(document, [...(links.get(document) ?? []), { to, ref }]);
  return links;
}

const keyOf = ({ to, ref }: DocumentLink): string => `${to} ${ref}`;

/** Attaches a document to these alone; when it was attached to others stays known. */
export async function setLinks(
  db: EntityManager,
  org: string,
  document: string,
  links: readonly DocumentLink[],
): Promise<void> {
  const before = new Map(
    ((await linksOf(db, [document])).get(document) ?? []).map((link) => [keyOf(link), link]),
  );
  const now = new Map(links.map((link) => [keyOf(link), link]));
  const added = [...now.values()].filter((link) => !before.has(keyOf(link)));
  await mustBeThere(db, added);
  for (const { to, ref } of added)
    await db.query(
      `INSERT INTO document_link (org_id, document_id, "to", ref) VALUES ($1, $2, $3, $4)`,
      [org, document, to, ref],
    );
  for (const link of before.values())
    if (!now.has(keyOf(link)))
      await db.query(
        `UPDATE document_link SET until = now()
         WHERE document_id = $1 AND "to" = $2 AND ref = $3 AND until IS NULL`,
        [document, link.to, link.ref],
      );
}

const TABLES = { site: 'site', asset: 'asset', kind: 'asset_kind', template: 'template' } as const;

async function mustBeThere(db: EntityManager, links: readonly DocumentLink[]): Promise<void> {
  for (const to of LINKED_TO) {
    const refs = links.filter((link) => link.to === to).map(({ ref }) => ref);
    if (refs.length === 0) continue;
    const there = await db.query<unknown[]>(`SELECT id FROM ${TABLES[to]} WHERE id = ANY ($1)`, [
      refs,
    ]);
    if (there.length < refs.length)
      throw new Refusal(
        422,
        'nothing-to-attach-to',
        'Something it is to be attached to is not there any more. Look at what it is about.',
      );
  }
}
