import { randomBytes } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { deriveKey, KEY_BYTES } from '@ant-trail/core/sealed';

const FILE = 'seal.key';

/**
 * The key everything sealed here is under. It lies beside the files and never in the database: whoever
 * has a copy of that alone can read nothing. Each organisation has one of its own, derived from it.
 */
export class OfficeKey {
  private kept: Promise<Buffer> | null = null;

  constructor(private readonly dir: string) {}

  async of(organisation: string): Promise<Uint8Array> {
    this.kept ??= this.read();
    try {
      return await deriveKey(await this.kept, organisation, 'arrival details of an organisation');
    } catch (error) {
      this.kept = null;
      throw error;
    }
  }

  private async read(): Promise<Buffer> {
    const file = path.join(this.dir, FILE);
    await mkdir(this.dir, { recursive: true });
    try {
      // Made once, by whoever comes first.
      await writeFile(file, randomBytes(KEY_BYTES).toString('hex'), { flag: 'wx', mode: 0o600 });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const key = Buffer.from((await readFile(file, 'utf8')).trim(), 'hex');
    if (key.length !== KEY_BYTES) throw new Error(`${FILE} holds no key of ${KEY_BYTES} bytes`);
    return key;
  }
}
