import { MediaReceipts } from '@ant-trail/contract/media';
import { Problem } from '@ant-trail/contract/common';
import type { DetailedError } from 'tus-js-client';
import { ask, Unreachable } from '@/device/api.ts';
import type { KeptPhoto, LocalStore } from '@/device/local-store.ts';

const CHUNK = 256 * 1024;
const PHOTOS_A_QUESTION = 200;

/** Sends the photos the office does not have; each goes on where it stopped. */
export async function sendPhotos(store: LocalStore): Promise<void> {
  const waiting = await store.photos
    .filter((photo) => photo.receivedAt === null && photo.refused === null)
    .toArray();
  if (waiting.length === 0) return;
  await takeReceipts(store, waiting);
  for (const { sha256 } of waiting) {
    const photo = await store.photos.get(sha256);
    if (!photo || photo.receivedAt !== null) continue;
    const refused = await upload(store, photo);
    if (refused) await store.photos.update(sha256, { refused });
    else await takeReceipts(store, [photo]);
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

/** Uploads one photo; the uploader is loaded with the first one. Gives the reason when the office refuses it, null when it is through. */
async function upload(store: LocalStore, photo: KeptPhoto): Promise<string | null> {
  const tus = await import('tus-js-client');
  return new Promise((resolve, reject) => {
    const sending = new tus.Upload(photo.bytes, {
      endpoint: '/uploads',
      uploadUrl: photo.uploadUrl,
      chunkSize: CHUNK,
      retryDelays: [],
      storeFingerprintForResuming: false,
      metadata: { sha256: photo.sha256, filetype: photo.type },
      onUploadUrlAvailable: () => {
        void store.photos.update(photo.sha256, { uploadUrl: sending.url });
      },
      onSuccess: () => resolve(null),
      onError: (error) => {
        const refused = error instanceof tus.DetailedError ? refusalIn(error) : null;
        if (refused)
          void store.photos.update(photo.sha256, { uploadUrl: null }).then(() => resolve(refused));
        else reject(new Unreachable());
      },
    });
    sending.start();
  });
}

const FINAL = new Set([400, 413, 415, 422]);

function refusalIn(error: DetailedError): string | null {
  const answer = error.originalResponse;
  if (!answer || !FINAL.has(answer.getStatus())) return null;
  const read = Problem.safeParse(parsed(answer.getBody()));
  return read.success ? read.data.message : 'The office could not take this photo.';
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
