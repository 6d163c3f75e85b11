import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = path.join(path.dirname(fileURLToPath(import.meta.url)), '../../..');
const read = (name: string): string => readFileSync(path.join(ROOT, name), 'utf8');

test('the changelog begins with the version this is', () => {
  const { version } = JSON.parse(read('package.json')) as { version: string };
  const client = JSON.parse(read('apps/client/package.json')) as { version: string };
  const lock = JSON.parse(read('package-lock.json')) as { version: string };
  const [, newest] = /^## (\S+), \d{4}-\d{2}-\d{2}$/m.exec(read('CHANGELOG.md')) ?? [];
  expect({ newest, lock: lock.version, client: client.version }).toEqual({
    ...{ newest: version, lock: version, client: version },
  });
});
