import type { Message, Told } from '@ant-trail/contract/messages';
import type { EntityTable } from 'dexie';
import { lazy } from 'react';
import { bodiesOf, type OnPhone } from '@/device/local-store.ts';
import { showWaiting } from '@/device/waiting.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    told: EntityTable<Told, 'id'>;
    messages: EntityTable<Message, 'id'>;
  }
}

// Behind the trail: what was written is told a moment after the first screen.
const NewMessages = lazy(async () => {
  const { NewMessages: Loaded } = await import('./new-messages.tsx');
  return { default: Loaded };
});

/** Who was told that somebody is on the way, and what is written with the office. */
export const messagesOnPhone = {
  tables: { 9: { told: 'id, visit' }, 10: { messages: 'id, person, visit' } },
  notices: [NewMessages],
  records: {
    told: { keep: (store, records) => store.told.bulkPut(bodiesOf(records)) },
    message: {
      keep: async (store, records) => {
        await store.messages.bulkPut(bodiesOf(records));
        // What was read here stays read until the office has heard of it.
        await showWaiting(store);
      },
    },
  },
  operations: {
    'on the way': {
      place: ({ visit }) => visit,
      say: ({ to }) => `The word to ${to.name} that you are on the way`,
      // Shown anew, as often as wanted: what the office says of it stands.
      show: async (store, { id, visit, to, at, minutes }) => {
        if (await store.told.get(id)) return;
        const there = new Date(Date.parse(at) + minutes * 60_000).toISOString();
        await store.told.put({ id, visit, to: to.name, at, there, outcome: 'waiting' });
      },
      takeBack: (store, { id }) => store.told.delete(id),
    },
    message: {
      place: ({ visit, person }) => visit ?? person,
      say: ({ text }) => `Your message “${text.slice(0, 40)}”`,
      show: async (store, said) => {
        if (await store.messages.get(said.id)) return;
        const visit = said.visit === null ? undefined : await store.visits.get(said.visit);
        const job = visit && (await store.jobs.get(visit.job));
        const site = job && (await store.sites.get(job.site));
        await store.messages.put({ ...said, siteName: site?.name ?? null, seenAt: null });
      },
      takeBack: (store, { id }) => store.messages.delete(id),
    },
    'message seen': {
      place: ({ message }) => message,
      say: () => 'That you read a message',
      show: (store, { message, at }) => store.messages.update(message, { seenAt: at }),
    },
  },
} satisfies OnPhone;
