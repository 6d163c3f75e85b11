import { PushAnswer } from '@ant-trail/contract/sync';
import { entryHash, type Entry, type EntryDraft } from '@ant-trail/core/log';
import { ask } from '@/device/api.ts';
import { deviceId, newId } from '@/device/identity.ts';

const LAST_HASH_KEY = 'ant-trail.desk.last-entry-hash';

/** Adds an entry from the desk to a sheet's log, by the same way as a phone's. Throws the office's words. */
export async function writeFromDesk(draft: EntryDraft): Promise<void> {
  const entry: Entry = {
    ...draft,
    id: newId(),
    device: deviceId(),
    at: new Date().toISOString(),
    prev: localStorage.getItem(LAST_HASH_KEY),
  };
  const { receipts } = await ask(PushAnswer, 'POST', '/api/push', {
    operations: [{ kind: 'entry', body: entry }],
  });
  const receipt = receipts.find(({ id }) => id === entry.id);
  if (receipt?.outcome === 'refused') throw new DeskRefusal(receipt.reason ?? 'It was refused.');
  localStorage.setItem(LAST_HASH_KEY, entryHash(entry));
}

export class DeskRefusal extends Error {}
