import type { Operation } from '@ant-trail/contract/sync';
import { entryHash, type Entry, type EntryDraft } from '@ant-trail/core/log';
import { deviceId, newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';

const LAST_HASH = 'last entry hash';

/** Keeps an entry on this phone and queues it for sending, both or neither. */
export async function keepEntry(store: LocalStore, draft: EntryDraft): Promise<Entry> {
  return store.transaction('rw', store.entries, store.outbox, store.notes, async () => {
    const entry: Entry = {
      ...draft,
      id: newId(),
      device: deviceId(),
      at: new Date().toISOString(),
      prev: await store.note(LAST_HASH),
    };
    await store.entries.add({ id: entry.id, sheet: entry.sheet, body: entry, receivedAt: null });
    await store.notes.put({ key: LAST_HASH, value: entryHash(entry) });
    await queue(store, { kind: 'entry', body: entry });
    return entry;
  });
}

/** Puts an operation in line. */
export async function queue(store: LocalStore, operation: Operation): Promise<void> {
  await store.outbox.add({
    id: operation.body.id,
    operation,
    queuedAt: new Date().toISOString(),
    refused: null,
  });
}
