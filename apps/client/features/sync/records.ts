import type { RecordKind, RecordOf } from '@ant-trail/contract/sync';
import type { LocalStore } from '@/device/local-store.ts';
import { showWaiting } from './operations.ts';

interface Kept<Body> {
  readonly id: string;
  readonly body: Body;
}

/** How this phone keeps one kind of record, and lets one go that is no longer this person's. */
interface Keeper<Body> {
  readonly keep: (store: LocalStore, records: readonly Kept<Body>[]) => Promise<unknown>;
  /** Where left out, such a record stays: it harms nobody and may be needed by what was begun. */
  readonly drop?: (store: LocalStore, ids: readonly string[]) => Promise<unknown>;
}

const bodies = <Body>(records: readonly Kept<Body>[]): Body[] => records.map(({ body }) => body);

/** Every kind of record, each with its place in the store. A kind that is missing does not compile. */
export const KEEPERS: { readonly [Kind in RecordKind]: Keeper<RecordOf<Kind>> } = {
  person: { keep: (store, records) => store.people.bulkPut(bodies(records)) },
  site: { keep: (store, records) => store.sites.bulkPut(bodies(records)) },
  asset: { keep: (store, records) => store.assets.bulkPut(bodies(records)) },
  catalogue: { keep: (store, records) => store.catalogues.bulkPut(bodies(records)) },
  template: { keep: (store, records) => store.templates.bulkPut(bodies(records)) },
  job: {
    keep: async (store, records) => {
      await store.jobs.bulkPut(bodies(records));
      await showWaiting(store);
    },
  },
  visit: { keep: keepVisits, drop: noteGone },
  entry: {
    keep: (store, records) =>
      store.entries.bulkPut(
        records.map(({ body: { body, receivedAt } }) => ({
          id: body.id,
          sheet: body.sheet,
          body,
          receivedAt,
        })),
      ),
  },
  series: {
    keep: (store, records) =>
      store.series.bulkPut(records.map(({ id, body }) => ({ ...body, id }))),
  },
  earlier: {
    keep: (store, records) =>
      store.earlier.bulkPut(records.map(({ id, body }) => ({ ...body, id }))),
  },
};

async function keepVisits(
  store: LocalStore,
  records: readonly Kept<RecordOf<'visit'>>[],
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
async function noteGone(
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
