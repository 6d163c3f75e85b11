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

// jsdom has no pointers to capture, and no addresses for what is in memory.
Object.assign(Element.prototype, { setPointerCapture: () => undefined });
Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined });

// jsdom lays nothing out, so there is nowhere to scroll to.
const nowhere = (): void => undefined;
Object.assign(Element.prototype, { scrollIntoView: nowhere, scrollTo: nowhere, scrollBy: nowhere });
// Nor does it open dialogs.
Object.assign(HTMLDialogElement.prototype, {
  showModal(this: HTMLDialogElement) {
    this.open = true;
  },
  close(this: HTMLDialogElement) {
    this.open = false;
  },
});
// Nor does anything there change its size.
Object.assign(globalThis, {
  ResizeObserver: class {
    observe = nowhere;
    unobserve = nowhere;
    disconnect = nowhere;
  },
});
