import type { OfficeDocument } from '@ant-trail/contract/documents';
import { filesToKeep, isAbout, type NeededFile } from '@ant-trail/core/documents';
import { fetchFile, Refused } from '@/device/api.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { spaceIsLow } from '@/device/storage.ts';
import { aboutAll } from './documents-about.ts';

/** Files of the documents that are about the work on this phone, and of those asked for by hand. */
export async function neededFiles(
  store: LocalStore,
): Promise<readonly (NeededFile & { readonly document: OfficeDocument })[]> {
  const needed: (NeededFile & { readonly document: OfficeDocument })[] = [];
  const need = (document: OfficeDocument, day: string | null): void => {
    const { sha256, bytes } = document.version;
    needed.push({ sha256, bytes, day, document });
  };
  const documents = await store.documents.toArray();
  if (documents.length === 0) return needed;
  const wanted = new Set<string>(await store.documentsWanted.toCollection().primaryKeys());
  for (const document of documents) if (wanted.has(document.id)) need(document, null);
  const days = new Map<string, string>();
  for (const { job, day } of await store.visits.toArray())
    if (day < (days.get(job) ?? '9999')) days.set(job, day);
  const places = new Map<string, { day: string; templates: string[] }>();
  for (const { id, site, sheets } of await store.jobs.toArray()) {
    const day = days.get(id);
    if (day === undefined) continue;
    const place = places.get(site) ?? { day, templates: [] };
    place.templates.push(...sheets.map(({ template }) => template));
    places.set(site, { ...place, day: day < place.day ? day : place.day });
  }
  const kinds = await store.assetKinds.toArray();
  const assets = await store.assets
    .where('site')
    .anyOf([...places.keys()])
    .toArray();
  for (const [site, { day, templates }] of places) {
    const about = aboutAll(
      [site],
      assets.filter((asset) => asset.site === site),
      kinds,
      templates,
    );
    for (const document of documents) if (isAbout(document.links, about)) need(document, day);
  }
  return needed;
}

/**
 * Fetches what is needed and not here, what is needed soonest first, and lets go of what is not needed
 * any more. A version that was replaced stays until the one in its place is here.
 */
export async function fetchDocuments(store: LocalStore): Promise<void> {
  const needed = await neededFiles(store);
  const kept = new Set<string>(await store.documentFiles.toCollection().primaryKeys());
  if (needed.length === 0 && kept.size === 0) return;
  const documentOf = new Map(needed.map(({ sha256, document }) => [sha256, document]));
  const wanted = filesToKeep(needed);
  for (const { sha256, bytes, day } of wanted) {
    const document = documentOf.get(sha256);
    if (!document || kept.has(sha256)) continue;
    // By themselves they never take the last room there is.
    if (day !== null && (await spaceIsLow())) continue;
    await fetchOne(store, document, bytes);
  }
  const stays = new Set(wanted.map(({ sha256 }) => sha256));
  // By their keys alone: the files themselves are large.
  const now = await store.documentFiles.toCollection().primaryKeys();
  await store.documentFiles.bulkDelete(now.filter((sha256) => !stays.has(sha256)));
}

async function fetchOne(
  store: LocalStore,
  { id, version }: OfficeDocument,
  length: number,
): Promise<void> {
  try {
    const bytes = await fetchFile(`/api/documents/${id}/versions/${version.id}/file`);
    // Cut off on its way; it is fetched again with the next exchange.
    if (bytes.size !== length) return;
    const { sha256, number, type } = version;
    await store.documentFiles.put({ sha256, document: id, number, type, bytes });
  } catch (error) {
    // One the office does not give holds up none behind it.
    if (!(error instanceof Refused) || error.status === 401) throw error;
  }
}
