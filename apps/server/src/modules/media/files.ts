import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { sha256Hex } from '@ant-trail/core/log';

/** Where the bytes of photos lie: by organisation and SHA-256, each written once. */
export class MediaFiles {
  constructor(private readonly root: string) {}

  /** Uploads in progress lie apart until their hash is known to match. */
  get uploads(): string {
    return path.join(this.root, 'uploads');
  }

  private placeOf(organisation: string, sha256: string): string {
    return path.join(this.root, 'media', organisation, sha256.slice(0, 2), sha256);
  }

  async takeIn(organisation: string, sha256: string, from: string): Promise<void> {
    const place = this.placeOf(organisation, sha256);
    await mkdir(path.dirname(place), { recursive: true });
    await rename(from, place);
  }

  /** Keeps bytes the office made itself; gives their SHA-256. */
  async keep(organisation: string, bytes: Uint8Array): Promise<string> {
    const sha256 = sha256Hex(bytes);
    const place = this.placeOf(organisation, sha256);
    await mkdir(path.dirname(place), { recursive: true });
    // Written beside it first: a place that is there is whole.
    const beside = `${place}.${randomUUID()}`;
    await writeFile(beside, bytes);
    await rename(beside, place);
    return sha256;
  }

  /** The bytes, or null when they are not here (yet). */
  async read(organisation: string, sha256: string): Promise<Buffer | null> {
    try {
      return await readFile(this.placeOf(organisation, sha256));
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
      throw error;
    }
  }

  async dropUpload(id: string): Promise<void> {
    await rm(path.join(this.uploads, id), { force: true });
    await rm(path.join(this.uploads, `${id}.json`), { force: true });
  }
}
