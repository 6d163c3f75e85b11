import { readFacts } from './picture-facts.ts';
import { sha256Hex, type FileValue, type PhotoValue } from '@ant-trail/core/log';

/** Long side of a photo after resizing, in pixels: enough to read a rating plate. */
const LONGEST_SIDE = 1600;
const QUALITY = 0.82;

export interface TakenPicture {
  readonly value: PhotoValue;
  readonly bytes: Blob;
}

/**
 * Resizes a picture on the phone and names it by its hash. It keeps the time and place it says of
 * itself; one that says nothing was taken now. Throws with words for the person.
 */
export async function takePicture(file: Blob, now: Date): Promise<TakenPicture> {
  if (file.size === 0) throw new Error('This photo is empty. Take it again.');
  const facts = await readFacts(file, now);
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) throw new Error('This file is not a picture the phone can read.');
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const paper = canvas.getContext('2d');
  if (paper) {
    // What is see-through would turn black: a JPEG has no such thing.
    paper.fillStyle = '#ffffff';
    paper.fillRect(0, 0, canvas.width, canvas.height);
    paper.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  }
  bitmap.close();
  const bytes = await new Promise<Blob | null>((resolve) =>
    canvas.toBlob(resolve, 'image/jpeg', QUALITY),
  );
  if (!bytes) throw new Error('The photo could not be made smaller. Try once more.');
  return {
    bytes,
    value: {
      sha256: sha256Hex(new Uint8Array(await bytes.arrayBuffer())),
      type: 'image/jpeg',
      bytes: bytes.size,
      width: canvas.width,
      height: canvas.height,
      takenAt: (facts.takenAt ?? now).toISOString(),
      comment: '',
      ...(facts.place ? { place: facts.place } : {}),
    },
  };
}

/** The largest recording or file a sheet takes, in bytes. */
const LARGEST_FILE = 50_000_000;

/** Names a recording or file by its hash. Throws with words for the person. */
export async function takeFile(file: File, takenAt: Date, seconds?: number): Promise<FileValue> {
  if (file.size === 0) throw new Error('This file is empty. Take it again.');
  if (file.size > LARGEST_FILE)
    throw new Error('This file is larger than 50 MB. Record a shorter one.');
  return {
    sha256: sha256Hex(new Uint8Array(await file.arrayBuffer())),
    type: file.type.split(';')[0] || 'application/octet-stream',
    bytes: file.size,
    name: file.name.slice(0, 200) || 'File',
    takenAt: takenAt.toISOString(),
    comment: '',
    ...(seconds === undefined ? {} : { seconds }),
  };
}
