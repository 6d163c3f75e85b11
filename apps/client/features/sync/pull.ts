import { PullAnswer } from '@ant-trail/contract/sync';
import { ask } from '@/device/api.ts';
import { earlierId, type LocalStore } from '@/device/local-store.ts';
import { noteGone } from './clear-away.ts';

const CURSOR = 'cursor';
const THROUGH = 'through';

/** Fetches everything new for this person, page by page; an interrupted fill goes on where it was. */
export async function pullAll(store: LocalStore): Promise<void> {
  for (;;) {
    const cursor = await store.note(CURSOR);
    const through = await store.note(THROUGH);
    const query = new URLSearchParams({
      ...(cursor ? { cursor } : {}),
      ...(through ? { through } : {}),
    });
    const page = await ask(PullAnswer, 'GET', `/api/pull?${query}`);
    await takeIn(store, page);
    if (!page.more) return;
  }
}

async function takeIn(store: LocalStore, page: PullAnswer): Promise<void> {
  const now = new Date().toISOString();
  await store.transaction('rw', store.tables, async () => {
    await store.people.bulkPut(page.people);
    await store.sites.bulkPut(page.sites);
    await store.jobs.bulkPut(page.jobs);
    await store.templates.bulkPut(page.templates);
    await store.assets.bulkPut(page.assets);
    await store.catalogues.bulkPut(page.catalogues);
    await store.series.bulkPut(
      page.series.map((series) => ({
        ...series,
        id: `${series.site} ${series.template} ${series.key}`,
      })),
    );
    await store.earlier.bulkPut(
      page.earlier.map((earlier) => ({
        ...earlier,
        id: earlierId(earlier.site, earlier.template),
      })),
    );
    for (const visit of page.visits) {
      // What happened here and is not sent yet must not vanish behind the office's older view.
      const mine = (await store.visits.get(visit.id))?.events ?? [];
      const known = new Set(visit.events.map((event) => event.id));
      const events = [...visit.events, ...mine.filter((event) => !known.has(event.id))];
      await store.visits.put({ ...visit, events });
    }
    await store.entries.bulkPut(
      page.entries.map(({ body, receivedAt }) => ({
        id: body.id,
        sheet: body.sheet,
        body,
        receivedAt,
      })),
    );
    await noteGone(
      store,
      page.gone,
      page.visits.map(({ id }) => id),
    );
    await store.notes.bulkPut([
      { key: CURSOR, value: page.cursor },
      { key: THROUGH, value: page.through },
      // In step only when nothing more is to come.
      ...(page.more ? [] : [{ key: 'last sync', value: now }]),
    ]);
  });
}
