import 'fake-indexeddb/auto';
import { webcrypto } from 'node:crypto';
import { TextDecoder, TextEncoder } from 'node:util';

// What a browser has and jsdom lacks.
Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
Object.assign(globalThis, {
  TextDecoder,
  TextEncoder,
  structuredClone:
    globalThis.structuredClone ??
    ((value: unknown) => JSON.parse(JSON.stringify(value)) as unknown),
});
if (!('timeout' in AbortSignal))
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
