import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { OPERATIONS, type OperationKind } from '../src/sync/index.ts';

const SAMPLES = path.join(path.dirname(fileURLToPath(import.meta.url)), 'samples');
interface Sample {
  readonly kind: OperationKind;
  readonly body: unknown;
}
const read = (file: string): Sample[] =>
  JSON.parse(readFileSync(path.join(SAMPLES, file), 'utf8')) as Sample[];
const FILES = readdirSync(SAMPLES);

// What a version once sent may lie in a phone's outbox for months. Samples are added, never changed.
test.each(FILES)('what phones of %s send is still read, word for word', (file) => {
  for (const { kind, body } of read(file)) expect(OPERATIONS[kind].parse(body)).toEqual(body);
});

test('there is a sample of every kind', () => {
  const sampled = new Set(FILES.flatMap(read).map(({ kind }) => kind));
  expect([...sampled].sort()).toEqual(Object.keys(OPERATIONS).sort());
});
