import { PushAnswer } from '@ant-trail/contract/sync';
import { entryHash, type Entry, type EntryDraft } from '@ant-trail/core/log';
import { ask } from '@/device/api.ts';
import { deviceId, newId } from '@/device/identity.ts';

const LAST_HASH_KEY = 'ant-trail.desk.last-entry-hash';

/**
 * Adds entries from the desk to a sheet's log, by the same way as a phone's. Gives the office's words
 * for those it refused, by their paths.
 */
export async function writeAllFromDesk(
  drafts: readonly EntryDraft[],
): Promise<ReadonlyMap<string, string>> {
  let prev = localStorage.getItem(LAST_HASH_KEY);
  const entries = drafts.map((draft) => {
    const entry: Entry = {
      ...draft,
      id: newId(),
      device: deviceId(),
      at: new Date().toISOString(),
      prev,
    };
    prev = entryHash(entry);
    return entry;
  });
  const { receipts } = await ask(PushAnswer, 'POST', '/api/push', {
    operations: entries.map((body) => ({ kind: 'entry', body })),
  });
  const words = new Map(
    receipts.flatMap(({ id, outcome, reason }) =>
      outcome === 'refused' ? [[id, reason ?? 'It was refused.']] : [],
    ),
  );
  const last = entries.findLast(({ id }) => !words.has(id));
  if (last) localStorage.setItem(LAST_HASH_KEY, entryHash(last));
  return new Map(
    entries.flatMap(({ id, path }) => {
      const refused = words.get(id);
      return refused === undefined ? [] : [[path, refused]];
    }),
  );
}

/** Adds one entry from the desk. Throws the office's words where it is refused. */
export async function writeFromDesk(draft: EntryDraft): Promise<void> {
  const [refused] = (await writeAllFromDesk([draft])).values();
  if (refused !== undefined) throw new DeskRefusal(refused);
}

export class DeskRefusal extends Error {}
