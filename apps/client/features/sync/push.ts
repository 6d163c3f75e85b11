import { PushAnswer, type Receipt } from '@ant-trail/contract/sync';
import { ask } from '@/device/api.ts';
import type { LocalStore, Waiting } from '@/device/local-store.ts';

const BATCH = 200;

/** Sends what waits, in the order it happened. Repeating it is harmless: every operation has its id. */
export async function pushAll(store: LocalStore): Promise<void> {
  for (;;) {
    const batch = await store.outbox
      .orderBy('order')
      .filter((item) => item.refused === null)
      .limit(BATCH)
      .toArray();
    if (batch.length === 0) return;
    const { receipts } = await ask(PushAnswer, 'POST', '/api/push', {
      operations: batch.map((item) => item.operation),
    });
    const settled = await takeReceipts(store, batch, receipts);
    // An answer that settles nothing would otherwise be asked for again for ever.
    if (settled === 0) return;
  }
}

async function takeReceipts(
  store: LocalStore,
  batch: readonly Waiting[],
  receipts: readonly Receipt[],
): Promise<number> {
  const byId = new Map(receipts.map((receipt) => [receipt.id, receipt]));
  let settled = 0;
  await store.transaction('rw', store.outbox, store.entries, store.notes, async () => {
    for (const item of batch) {
      const receipt = byId.get(item.id);
      if (!receipt) continue;
      settled++;
      if (receipt.outcome === 'refused') {
        await store.outbox.update(item.order, {
          refused: receipt.reason ?? 'The office refused this without a reason.',
        });
        continue;
      }
      await store.outbox.delete(item.order);
      await store.entries.update(item.id, { receivedAt: receipt.at });
      await store.notes.put({ key: 'last receipt', value: receipt.at });
    }
  });
  return settled;
}
