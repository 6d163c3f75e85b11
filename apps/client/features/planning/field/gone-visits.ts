import type { Visit } from '@ant-trail/contract/planning';
import type { KeptRecord, LocalStore } from '@/device/local-store.ts';
import { showWaiting } from '@/device/waiting.ts';

/** Keeps the office's visits beside what was done at them here. */
export async function keepVisits(
  store: LocalStore,
  records: readonly KeptRecord<Visit>[],
): Promise<void> {
  for (const { body: visit } of records) {
    // What happened here must not vanish behind the office's older view.
    const mine = (await store.visits.get(visit.id))?.events ?? [];
    const known = new Set(visit.events.map((event) => event.id));
    const events = [...visit.events, ...mine.filter((event) => !known.has(event.id))];
    await store.visits.put({ ...visit, events });
  }
  await showWaiting(store);
  await noteGone(
    store,
    [],
    records.map(({ id }) => id),
  );
}

const GONE = 'gone visits';

/** Remembers visits that were taken from this person, and forgets that of those they have again. */
export async function noteGone(
  store: LocalStore,
  gone: readonly string[],
  given: readonly string[] = [],
): Promise<void> {
  const back = new Set(given);
  const known = await goneVisits(store);
  const ids = [...new Set([...known, ...gone])].filter((id) => !back.has(id));
  if (ids.length !== known.length || ids.some((id) => !known.includes(id)))
    await setGoneVisits(store, ids);
}

/** Visits that were taken from this person; those with unsent work are still on the phone. */
export async function goneVisits(store: LocalStore): Promise<readonly string[]> {
  return JSON.parse((await store.note(GONE)) ?? '[]') as string[];
}

export async function setGoneVisits(store: LocalStore, ids: readonly string[]): Promise<void> {
  await store.notes.put({ key: GONE, value: JSON.stringify(ids) });
}
