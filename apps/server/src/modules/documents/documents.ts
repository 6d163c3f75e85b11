import { randomUUID } from 'node:crypto';
import type {
  DocumentDetails,
  DocumentDraft,
  DocumentVersion,
  NewDocument,
  OfficeDocument,
  VersionDraft,
} from '@ant-trail/contract/documents';
import { MOST_DOCUMENTS } from '@ant-trail/contract/documents';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { DocumentRow } from './entities.ts';
import { linksOf, setLinks } from './links.ts';

/** Who does it. */
export type By = Pick<Session, 'organisation' | 'person'>;

interface VersionRead extends Omit<DocumentVersion, 'at' | 'bytes'> {
  readonly document: string;
  readonly at: Date;
  readonly bytes: string;
}

const VERSION = `v.id, v.document_id AS document, v.number, v.sha256, v.type, v.bytes, v.file, v.note, v.at, v.by`;

export const versionOf = (row: VersionRead): DocumentVersion => {
  const { id, number, sha256, type, file, note, by } = row;
  const at = row.at.toISOString();
  return { ...{ id, number, sha256, type, file, note, by, at }, bytes: Number(row.bytes) };
};

/** Documents by their ids, each with the version that counts. */
export async function documentsWith(
  db: EntityManager,
  ids: readonly string[],
): Promise<OfficeDocument[]> {
  const rows = await db.findBy(DocumentRow, { id: In([...ids]) });
  return whole(db, rows);
}

/** All that are in use. */
export const documentsInUse = async (db: EntityManager): Promise<OfficeDocument[]> =>
  whole(db, await db.find(DocumentRow, { where: { retired: false }, order: { name: 'ASC' } }));

async function whole(db: EntityManager, rows: readonly DocumentRow[]): Promise<OfficeDocument[]> {
  const versions = await db.query<VersionRead[]>(
    `SELECT ${VERSION} FROM document_version v WHERE v.id = ANY ($1)`,
    [rows.map(({ current }) => current)],
  );
  const byId = new Map(versions.map((row) => [row.id, versionOf(row)]));
  const links = await linksOf(
    db,
    rows.map(({ id }) => id),
  );
  return rows.flatMap(({ id, name, note, retired, current }) => {
    const version = byId.get(current);
    return version ? [{ id, name, note, retired, version, links: links.get(id) ?? [] }] : [];
  });
}

async function one(db: EntityManager, id: string): Promise<OfficeDocument> {
  const [document] = await documentsWith(db, [id]);
  if (!document) throw notFound('This document');
  return document;
}

/** A document with all its versions, and which counted when. */
export async function documentDetails(db: EntityManager, id: string): Promise<DocumentDetails> {
  const document = await one(db, id);
  const versions = await db.query<VersionRead[]>(
    `SELECT ${VERSION} FROM document_version v WHERE v.document_id = $1 ORDER BY v.number DESC`,
    [id],
  );
  const counted = await db.query<{ version: string | null; since: Date; by: string }[]>(
    `SELECT version_id AS version, since, by FROM document_counted
     WHERE document_id = $1 ORDER BY since DESC`,
    [id],
  );
  return {
    document,
    versions: versions.map(versionOf),
    counted: counted.map((row) => ({ ...row, since: row.since.toISOString() })),
  };
}

const tell = (db: EntityManager, { organisation }: By, id: string): Promise<void> =>
  announce(db, organisation, [{ kind: 'document', ref: id, reach: null }]);

/** Adds a document with its first version, whose file was uploaded before. */
export async function addDocument(
  db: EntityManager,
  by: By,
  { name, note, links, first }: NewDocument,
): Promise<OfficeDocument> {
  await oneAtATime(db, 'documents', by.organisation);
  if ((await db.countBy(DocumentRow, { retired: false })) >= MOST_DOCUMENTS)
    throw new Refusal(
      409,
      'too-many-documents',
      `There are ${MOST_DOCUMENTS} documents in use. Retire some before you add another.`,
    );
  const id = randomUUID();
  const version = await keepVersion(db, by, id, first);
  await db.insert(DocumentRow, {
    ...{ org: by.organisation, id, name, note, current: version, retired: false },
  });
  await setLinks(db, by.organisation, id, links);
  await noteCounted(db, by, id, version);
  await tell(db, by, id);
  return one(db, id);
}

/** Changes what a document is called and what it is attached to. */
export async function changeDocument(
  db: EntityManager,
  by: By,
  id: string,
  { name, note, links }: DocumentDraft,
): Promise<OfficeDocument> {
  await oneAtATime(db, 'documents', by.organisation);
  await one(db, id);
  await db.update(DocumentRow, { id }, { name, note });
  await setLinks(db, by.organisation, id, links);
  await tell(db, by, id);
  return one(db, id);
}

/** Retires a document, from when on no version of it counts, or takes it into use again. */
export async function retireDocument(
  db: EntityManager,
  by: By,
  id: string,
  retired: boolean,
): Promise<OfficeDocument> {
  await oneAtATime(db, 'documents', by.organisation);
  const before = await one(db, id);
  if (before.retired === retired) return before;
  await db.update(DocumentRow, { id }, { retired });
  await noteCounted(db, by, id, retired ? null : before.version.id);
  await tell(db, by, id);
  return one(db, id);
}

/** Adds a version, which counts from now on where it is said so. */
export async function addVersion(
  db: EntityManager,
  by: By,
  id: string,
  { current, ...draft }: VersionDraft,
): Promise<DocumentDetails> {
  await oneAtATime(db, 'documents', by.organisation);
  mustCount(await one(db, id));
  const version = await keepVersion(db, by, id, draft);
  if (current) await count(db, by, id, version);
  return documentDetails(db, id);
}

/** From now on this version counts, be it newer or older than the one that did. */
export async function setCurrent(
  db: EntityManager,
  by: By,
  id: string,
  version: string,
): Promise<DocumentDetails> {
  await oneAtATime(db, 'documents', by.organisation);
  const { document, versions } = await documentDetails(db, id);
  if (!versions.some((each) => each.id === version)) throw notFound('This version');
  mustCount(document);
  if (document.version.id !== version) await count(db, by, id, version);
  return documentDetails(db, id);
}

function mustCount({ retired }: OfficeDocument): void {
  if (retired)
    throw new Refusal(409, 'retired', 'This document is retired. Take it into use again first.');
}

async function count(db: EntityManager, by: By, id: string, version: string): Promise<void> {
  await db.update(DocumentRow, { id }, { current: version });
  await noteCounted(db, by, id, version);
  await tell(db, by, id);
}

const noteCounted = (
  db: EntityManager,
  { organisation, person }: By,
  id: string,
  version: string | null,
): Promise<unknown> =>
  db.query(
    `INSERT INTO document_counted (org_id, document_id, version_id, by) VALUES ($1, $2, $3, $4)`,
    [organisation, id, version, person],
  );

const TYPES: ReadonlySet<string> = new Set([
  'application/pdf',
  'image/jpeg',
  'image/png',
  'image/webp',
]);

async function keepVersion(
  db: EntityManager,
  { organisation, person }: By,
  document: string,
  { sha256, file, note }: Omit<VersionDraft, 'current'>,
): Promise<string> {
  const [media] = await db.query<{ type: string; bytes: string }[]>(
    `SELECT type, bytes FROM media WHERE sha256 = $1`,
    [sha256],
  );
  if (!media)
    throw new Refusal(422, 'no-file', 'The file has not come through. Choose it once more.');
  if (!TYPES.has(media.type))
    throw new Refusal(422, 'unfitting-file', 'A document is a PDF or a picture.');
  const id = randomUUID();
  await db.query(
    `INSERT INTO document_version (org_id, id, document_id, number, sha256, type, bytes, file, note, by)
     SELECT $1, $2, $3, coalesce(max(number), 0) + 1, $4, $5, $6, $7, $8, $9
     FROM document_version WHERE document_id = $3`,
    [organisation, id, document, sha256, media.type, media.bytes, file, note, person],
  );
  return id;
}

/** The file of a version. */
export const fileOf = (
  db: EntityManager,
  { id, version }: { readonly id: string; readonly version: string },
): Promise<{ sha256: string; type: string; file: string }[]> =>
  db.query(`SELECT sha256, type, file FROM document_version WHERE document_id = $1 AND id = $2`, [
    id,
    version,
  ]);
