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

// What a version once sent may lie in a phone's outbox for months. Samples are added, never changed. What
// came later is left empty where an older phone knows nothing of it.
const LATER: Partial<Record<OperationKind, object>> = { 'job begun': { asset: null } };

test.each(FILES)('what phones of %s send is still read, word for word', (file) => {
  for (const { kind, body } of read(file)) {
    const whole = { ...LATER[kind], ...(body as object) };
    expect(OPERATIONS[kind].parse(body)).toEqual(whole);
  }
});

test('there is a sample of every kind', () => {
  const sampled = new Set(FILES.flatMap(read).map(({ kind }) => kind));
  expect([...sampled].sort()).toEqual(Object.keys(OPERATIONS).sort());
});
