import { LINKED_TO } from '@ant-trail/core/documents';
import { z } from 'zod';
import { Id, Instant, ListQuery, listOf, Name, Sha256 } from '../common/index.ts';

/** How many documents an organisation can have in use: what they are called goes to every phone. */
export const MOST_DOCUMENTS = 2_000;

export const DocumentLink = z.object({ to: z.enum(LINKED_TO), ref: Id }).strict();

const Note = z.string().trim().max(1000);
const FileName = z.string().trim().min(1).max(200);

/** What a document is, without its file. */
export const DocumentDraft = z
  .object({
    name: Name,
    note: Note,
    /** What it is about; a document about nothing is found by its name alone. */
    links: z.array(DocumentLink).max(60, 'Attached to at most 60 of them.'),
  })
  .strict();
export type DocumentDraft = z.infer<typeof DocumentDraft>;

/** A file that was uploaded before, as it becomes a version. */
export const VersionDraft = z
  .object({
    sha256: Sha256,
    /** What the file was called. */
    file: FileName,
    /** What changed. */
    note: Note,
    /** Whether it counts from now on. */
    current: z.boolean(),
  })
  .strict();
export type VersionDraft = z.infer<typeof VersionDraft>;

export const NewDocument = DocumentDraft.extend({ first: VersionDraft.omit({ current: true }) });
export type NewDocument = z.infer<typeof NewDocument>;
export const CurrentVersion = z.object({ version: Id }).strict();
export const RetireDocument = z.object({ retired: z.boolean() }).strict();

export const DocumentVersion = z.object({
  id: Id,
  number: z.int(),
  sha256: Sha256,
  type: z.string(),
  bytes: z.int(),
  file: z.string(),
  note: z.string(),
  at: Instant,
  by: Id,
});
export type DocumentVersion = z.infer<typeof DocumentVersion>;

/** A document as phones and lists have it: with the version that counts. */
export const OfficeDocument = DocumentDraft.extend({
  id: Id,
  version: DocumentVersion,
  retired: z.boolean(),
}).strip();
export type OfficeDocument = z.infer<typeof OfficeDocument>;

export const DocumentDetails = z.object({
  document: OfficeDocument,
  /** The newest first. */
  versions: z.array(DocumentVersion),
  /** Which version counted since when, the newest first; null for none, while it was retired. */
  counted: z.array(z.object({ version: Id.nullable(), since: Instant, by: Id })),
});
export type DocumentDetails = z.infer<typeof DocumentDetails>;

export const DocumentsQuery = ListQuery.extend({
  retired: z.enum(['no', 'yes']).default('no'),
  /** Only those attached to this. */
  to: z.enum(LINKED_TO).optional(),
  ref: Id.optional(),
  order: z.enum(['name', '-name']).default('name'),
});
export type DocumentsQuery = z.infer<typeof DocumentsQuery>;
export const DocumentsAnswer = listOf(OfficeDocument);

/** A document as it counted when a sheet was done. */
export const DocumentThen = z.object({ id: Id, name: z.string(), version: DocumentVersion });
export type DocumentThen = z.infer<typeof DocumentThen>;
