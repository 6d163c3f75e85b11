import { PushAnswer, type Receipt } from '@ant-trail/contract/sync';
import { ask, Refused } from '@/device/api.ts';
import type { LocalStore, Waiting } from '@/device/local-store.ts';

const BATCH = 200;
/** Sketches are large; the office takes no more than a few megabytes at a time. */
const BATCH_CHARACTERS = 1_000_000;

/** Sends what waits, in the order it happened. Repeating it is harmless: every operation has its id. */
export async function pushAll(store: LocalStore): Promise<void> {
  for (;;) {
    const batch = await nextBatch(store);
    if (batch.length === 0) return;
    const receipts = await push(batch);
    const settled = await takeReceipts(store, batch, receipts);
    // An answer that settles nothing would otherwise be asked for again for ever.
    if (settled === 0) return;
  }
}

async function nextBatch(store: LocalStore): Promise<Waiting[]> {
  const waiting = await store.outbox
    .orderBy('order')
    .filter((item) => item.refused === null)
    .limit(BATCH)
    .toArray();
  let characters = 0;
  const tooMany = waiting.findIndex(({ operation }, index) => {
    characters += JSON.stringify(operation).length;
    return index > 0 && characters > BATCH_CHARACTERS;
  });
  return tooMany < 0 ? waiting : waiting.slice(0, tooMany);
}

/** One too large for the office on its own must not hold up what waits behind it. */
async function push(batch: readonly Waiting[]): Promise<readonly Receipt[]> {
  try {
    const { receipts } = await ask(PushAnswer, 'POST', '/api/push', {
      operations: batch.map((item) => item.operation),
    });
    return receipts;
  } catch (error) {
    const [only, ...more] = batch;
    if (!(error instanceof Refused) || error.status !== 413 || !only || more.length > 0)
      throw error;
    const at = new Date().toISOString();
    return [{ id: only.id, outcome: 'refused', at, reason: error.message }];
  }
}

async function takeReceipts(
  store: LocalStore,
  batch: readonly Waiting[],
  receipts: readonly Receipt[],
): Promise<number> {
  const byId = new Map(receipts.map((receipt) => [receipt.id, receipt]));
  const settled = batch.flatMap((item) => {
    const receipt = byId.get(item.id);
    return receipt ? [{ item, receipt }] : [];
  });
  const refused = settled.filter(({ receipt }) => receipt.outcome === 'refused');
  const received = settled.filter(({ receipt }) => receipt.outcome !== 'refused');
  await store.transaction('rw', store.outbox, store.entries, store.notes, async () => {
    await store.outbox.bulkUpdate(
      refused.map(({ item, receipt }) => ({
        key: item.order,
        changes: { refused: receipt.reason ?? 'The office refused this without a reason.' },
      })),
    );
    await store.outbox.bulkDelete(received.map(({ item }) => item.order));
    await store.entries.bulkUpdate(
      received.map(({ item, receipt }) => ({ key: item.id, changes: { receivedAt: receipt.at } })),
    );
    const last = received.at(-1);
    if (last) await store.notes.put({ key: 'last receipt', value: last.receipt.at });
  });
  return settled.length;
}
