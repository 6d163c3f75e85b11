import { PushAnswer, type Receipt } from '@ant-trail/contract/sync';
import { ask, Refused } from '@/device/api.ts';
import type { LocalStore, Waiting } from '@/device/local-store.ts';

const BATCH = 200;
/** Sketches are large; the office takes no more than a few megabytes at a time. */
const BATCH_CHARACTERS = 1_000_000;

/** The office answered and settled nothing: it has not taken what it was sent. */
export class NothingSettled extends Error {
  override name = 'NothingSettled';
}

/** Sends what waits, in the order it happened. Repeating it is harmless: every operation has its id. */
export async function pushAll(store: LocalStore): Promise<void> {
  await setDamagedAside(store);
  for (;;) {
    const batch = await nextBatch(store);
    if (batch.length === 0) return;
    const receipts = await push(batch);
    const settled = await takeReceipts(store, batch, receipts);
    // It would be asked for again for ever, while the phone claimed to be in step.
    if (settled === 0) throw new NothingSettled('The office gave no receipt for what it was sent.');
  }
}

const DAMAGED = 'What was kept of this on the phone is damaged. Save it to a file for the office.';

/** Whether there is anything left that the office could take, and say a word on. */
const isWhole = ({ operation }: Waiting): boolean => {
  const kept: { kind?: unknown; body?: { id?: unknown } | null } | null | undefined = operation;
  return typeof kept?.kind === 'string' && typeof kept.body?.id === 'string';
};

/** What is damaged is set aside with words; it would hold up all behind it. */
async function setDamagedAside(store: LocalStore): Promise<void> {
  await store.outbox
    .filter((item) => item.refused === null && !isWhole(item))
    .modify({ refused: DAMAGED });
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

const SET_ASIDE =
  'The office could not take this one, though it took what was sent beside it. It stays here.';
/** After so many failures in a row, with nothing taken in between, it is the office that fails. */
const PATIENCE = 4;

/**
 * Sends a batch. One that fails as a whole is halved until the one that makes it fail is found: that
 * is set aside with words, and holds up nothing behind it.
 */
async function push(batch: readonly Waiting[]): Promise<readonly Receipt[]> {
  const receipts: Receipt[] = [];
  const failed: Waiting[] = [];
  let failure: unknown = null;
  let inARow = 0;
  const send = async (part: readonly Waiting[]): Promise<void> => {
    try {
      receipts.push(...(await ask(PushAnswer, 'POST', '/api/push', sentOf(part))).receipts);
      inARow = 0;
    } catch (error) {
      const [only, ...more] = part;
      if (!only || !isAboutTheBatch(error)) throw error;
      failure = error;
      if (error.status >= 500 && ++inARow > PATIENCE && receipts.length === 0) throw error;
      if (more.length === 0) {
        if (error.status < 500) receipts.push(refusalOf(only, error.message));
        else failed.push(only);
        return;
      }
      const half = part.length >> 1;
      await send(part.slice(0, half));
      await send(part.slice(half));
    }
  };
  await send(batch);
  // Only what was taken beside it shows that it is this one, and not the office, that fails.
  if (failed.length > 0 && receipts.length === 0) throw failure;
  return [...receipts, ...failed.map((item) => refusalOf(item, SET_ASIDE))];
}

const sentOf = (batch: readonly Waiting[]) => ({
  operations: batch.map((item) => item.operation),
  // By this the office sees how far the times in them can be trusted.
  clock: new Date().toISOString(),
});

const refusalOf = ({ id }: Waiting, reason: string): Receipt => ({
  id,
  outcome: 'refused',
  at: new Date().toISOString(),
  reason,
});

/** Who is asking, or how often, is no fault of what was sent. */
const NOT_THE_BATCH = new Set([401, 403, 429]);

const isAboutTheBatch = (error: unknown): error is Refused =>
  error instanceof Refused && !NOT_THE_BATCH.has(error.status);

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
