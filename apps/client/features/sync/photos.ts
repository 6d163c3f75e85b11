import { MediaReceipts } from '@ant-trail/contract/media';
import { ask, Refused, Unreachable } from '@/device/api.ts';
import type { KeptPhoto, LocalStore } from '@/device/local-store.ts';
import { sendFile } from '@/device/send-file.ts';

const PHOTOS_A_QUESTION = 200;

/** So many photos in a row failing, it is the office that fails. */
const PATIENCE = 3;

/**
 * Sends the photos the office does not have; each goes on where it stopped. One that fails for a
 * reason of its own holds up none behind it. Throws the last failure once all were tried.
 */
export async function sendPhotos(store: LocalStore): Promise<void> {
  const waiting = await store.photos
    .filter((photo) => photo.receivedAt === null && photo.refused === null)
    .toArray();
  if (waiting.length === 0) return;
  await takeReceipts(store, waiting);
  let failure: Error | null = null;
  let inARow = 0;
  for (const { sha256 } of waiting) {
    const photo = await store.photos.get(sha256);
    // Meanwhile it was removed, or the office has it.
    if (!photo || photo.receivedAt !== null || photo.refused !== null) continue;
    try {
      await sendOne(store, photo);
      inARow = 0;
    } catch (error) {
      failure = error instanceof Error ? error : new Unreachable();
      if (error instanceof Unreachable || isAboutWho(error) || ++inARow >= PATIENCE) throw error;
    }
  }
  if (failure !== null) throw failure;
}

const isAboutWho = (error: unknown): boolean => error instanceof Refused && error.status === 401;

async function sendOne(store: LocalStore, photo: KeptPhoto): Promise<void> {
  const refused = await refusalFrom(() =>
    sendFile({
      ...photo,
      onUploadUrl: (uploadUrl) => void store.photos.update(photo.sha256, { uploadUrl }),
    }),
  );
  if (refused === null) return takeReceipts(store, [photo]);
  if (!(refused instanceof Refused)) throw refused;
  const damaged = refused.problem.code === DAMAGED;
  // Damaged on its way once, it goes again; damaged again, it is this phone's own copy that is.
  const again = damaged && !wereDamaged.has(photo.sha256);
  if (damaged) wereDamaged.add(photo.sha256);
  await store.photos.update(photo.sha256, { uploadUrl: null });
  if (again || !FINAL.has(refused.status)) throw refused;
  const words = damaged ? 'The picture kept on this phone is damaged.' : refused.message;
  await store.photos.update(photo.sha256, { refused: words });
  return undefined;
}

const DAMAGED = 'photo-damaged';
const wereDamaged = new Set<string>();

/** What kept something from being done; null when nothing did. */
async function refusalFrom(work: () => Promise<void>): Promise<Error | null> {
  try {
    await work();
    return null;
  } catch (error) {
    return error instanceof Error ? error : new Unreachable();
  }
}

/** Asks which photos the office has: only its word counts as received. */
async function takeReceipts(store: LocalStore, photos: readonly KeptPhoto[]): Promise<void> {
  for (let from = 0; from < photos.length; from += PHOTOS_A_QUESTION) {
    const asked = photos.slice(from, from + PHOTOS_A_QUESTION);
    const { received } = await ask(MediaReceipts, 'POST', '/api/media/receipts', {
      sha256: asked.map((photo) => photo.sha256),
    });
    for (const { sha256, at } of received) await store.photos.update(sha256, { receivedAt: at });
  }
}

/** Answers after which the same bytes would be refused again. */
const FINAL = new Set([400, 413, 415, 422]);
