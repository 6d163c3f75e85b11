import { DOCUMENTS, type DemoPage } from '@ant-trail/demo';
import { LINKED_TO, type DocumentLink } from '@ant-trail/core/documents';
import type { DataSource, EntityManager } from 'typeorm';
import { inOrganisation } from '../database/tenancy.ts';
import { addDocument, addVersion } from '../modules/documents/documents.ts';
import { MediaFiles } from '../modules/media/files.ts';
import { Paper, QUIET } from '../paper/paper.ts';

const NAMED: Record<DocumentLink['to'], string> = {
  site: 'SELECT id FROM site WHERE name = $1',
  asset: 'SELECT id FROM asset WHERE name = $1',
  kind: 'SELECT id FROM asset_kind WHERE name = $1',
  template: 'SELECT id FROM template WHERE title = $1',
};

/** Documents of the demo organisation, with versions of before. */
export async function loadDocuments(
  data: DataSource,
  filesDir: string,
  organisation: string,
  now: Date,
): Promise<void> {
  const files = new MediaFiles(filesDir);
  await inOrganisation(data, organisation, async (db) => {
    const [keeper] = await db.query<{ id: string }[]>(
      `SELECT id FROM person WHERE 'manager' = ANY (roles) ORDER BY name LIMIT 1`,
    );
    if (!keeper) return;
    const by = { organisation, person: keeper.id };
    for (const { name, note, about, versions } of DOCUMENTS) {
      const links = await linksTo(db, about);
      let document: string | null = null;
      for (const { file, note: what, ago, pages } of versions) {
        const bytes = await drawPages(name, pages);
        const sha256 = await files.keep(organisation, bytes);
        await db.query(
          `INSERT INTO media (org_id, sha256, type, bytes, by) VALUES ($1, $2, 'application/pdf', $3, $4)
           ON CONFLICT DO NOTHING`,
          [organisation, sha256, bytes.length, keeper.id],
        );
        const first = { sha256, file, note: what };
        if (document === null)
          ({ id: document } = await addDocument(db, by, { name, note, links, first }));
        else await addVersion(db, by, document, { ...first, current: true });
        await setBack(db, document, new Date(now.getTime() - ago * 86_400_000));
      }
    }
  });
}

async function linksTo(
  db: EntityManager,
  about: readonly { readonly to: DocumentLink['to']; readonly name: string }[],
): Promise<DocumentLink[]> {
  const links: DocumentLink[] = [];
  for (const to of LINKED_TO)
    for (const { name } of about.filter((each) => each.to === to))
      for (const { id } of await db.query<{ id: string }[]>(NAMED[to], [name]))
        links.push({ to, ref: id });
  return links;
}

/** The newest version, and what came with it, is as old as the demo says. */
async function setBack(db: EntityManager, document: string, at: Date): Promise<void> {
  await db.query(
    `UPDATE document_version SET at = $2 WHERE document_id = $1
     AND number = (SELECT max(number) FROM document_version WHERE document_id = $1)`,
    [document, at],
  );
  await db.query(
    `UPDATE document_counted SET since = $2 WHERE document_id = $1
     AND since = (SELECT max(since) FROM document_counted WHERE document_id = $1)`,
    [document, at],
  );
  await db.query(`UPDATE document_link SET since = least(since, $2) WHERE document_id = $1`, [
    document,
    at,
  ]);
}

function drawPages(title: string, pages: readonly DemoPage[]): Promise<Buffer> {
  const paper = new Paper(title, 'Island Assembly');
  paper.text(title, paper.left, { face: 'bold', size: 24, tag: 'H1' });
  paper.space(8);
  paper.text('Island Assembly, Tarnhollow', paper.left, { size: 11, color: QUIET });
  for (const [at, { heading, lines }] of pages.entries()) {
    if (at > 0) paper.need(Number.MAX_SAFE_INTEGER);
    paper.space(24);
    paper.text(heading, paper.left, { face: 'bold', size: 16, tag: 'H2' });
    paper.space(8);
    for (const line of lines) {
      paper.text(line, paper.left, { size: 12 });
      paper.space(6);
    }
  }
  paper.number(title);
  return paper.end();
}
