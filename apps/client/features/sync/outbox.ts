import type { Operation } from '@ant-trail/contract/sync';
import { entryHash, type Entry, type EntryDraft } from '@ant-trail/core/log';
import { deviceId, newId } from '@/device/identity.ts';
import type { LocalStore, Waiting } from '@/device/local-store.ts';
import { showHere, takeBack } from '@/device/waiting.ts';

const LAST_HASH = 'last entry hash';

/** An entry of this phone, made now; it gets its place in the chain when it is kept. */
export const entryFrom = (draft: EntryDraft): Entry => ({
  ...draft,
  id: newId(),
  device: deviceId(),
  at: new Date().toISOString(),
  prev: null,
});

/**
 * Keeps entries on this phone, each naming the one kept before it, and queues them for sending:
 * all of that or nothing. One that is kept already stays as it is.
 */
export async function keepEntries(store: LocalStore, made: readonly Entry[]): Promise<Entry[]> {
  return store.transaction('rw', store.entries, store.outbox, store.notes, async () => {
    let prev = await store.note(LAST_HASH);
    const known = await store.entries.bulkGet(made.map(({ id }) => id));
    const entries: Entry[] = [];
    for (const one of made.filter((_, index) => known[index] === undefined)) {
      const entry = { ...one, prev };
      prev = entryHash(entry);
      entries.push(entry);
    }
    if (prev !== null) await store.notes.put({ key: LAST_HASH, value: prev });
    await store.entries.bulkAdd(
      entries.map((body) => ({ id: body.id, sheet: body.sheet, body, receivedAt: null })),
    );
    await queue(
      store,
      entries.map((body) => ({ kind: 'entry', body })),
    );
    return entries;
  });
}

/** Takes what the office refused off this phone: the person has it in a file and goes on without. */
export async function letGo(store: LocalStore, { order, operation }: Waiting): Promise<void> {
  await store.transaction('rw', store.tables, async () => {
    await store.outbox.delete(order);
    await takeBack(store, operation);
  });
}

/** Puts operations in line. */
export async function queue(store: LocalStore, operations: readonly Operation[]): Promise<void> {
  const queuedAt = new Date().toISOString();
  await store.outbox.bulkAdd(
    operations.map((operation) => ({ id: operation.body.id, operation, queuedAt, refused: null })),
  );
}

/** Does something on this phone and puts it in line: both or neither. */
export async function doHere(store: LocalStore, operation: Operation): Promise<void> {
  await store.transaction('rw', store.tables, async () => {
    await queue(store, [operation]);
    await showHere(store, operation);
  });
}
