import type { Favourite, Job, Visit } from '@ant-trail/contract/planning';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityTable, Transaction } from 'dexie';
import { bodiesOf, type OnPhone, type Waiting } from '@/device/local-store.ts';
import { showWaiting } from '@/device/waiting.ts';
import { clearAway } from './clear-away.ts';
import { keepVisits, noteGone } from './gone-visits.ts';
import { planningOperations } from './operations.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    visits: EntityTable<Visit, 'id'>;
    jobs: EntityTable<Job, 'id'>;
    favourites: EntityTable<Favourite, 'id'>;
  }
}

/** A job had one sheet once, and a visit no part. */
async function giveJobsTheirParts(store: Transaction): Promise<void> {
  const titles = new Map<string, string>();
  const versions = await store.table<TemplateVersion>('templates').toArray();
  for (const { id, body } of versions) titles.set(id, body.title);
  await store
    .table<Job>('jobs')
    .toCollection()
    .modify((job) => {
      job.expectedSheets = null;
      job.sheets = [
        {
          ...{ id: job.sheet.id, version: job.sheet.version, template: job.template },
          ...{ title: titles.get(job.sheet.version) ?? job.title, asset: null },
          ...{ person: null, expected: true, leftOut: null },
        },
      ];
    });
  await store
    .table<Visit>('visits')
    .toCollection()
    .modify((visit) => {
      visit.part = 'leads';
    });
}

/** Work begun here was begun at a place alone; what waits to be sent says so. */
async function giveBegunJobsTheirThing(store: Transaction): Promise<void> {
  await store
    .table<Waiting>('outbox')
    .toCollection()
    .modify(({ operation }) => {
      if (operation.kind === 'job begun')
        operation.body = { ...{ asset: null }, ...operation.body };
    });
}

/** Jobs were parts of no rounds, and no sheet of theirs was left out. */
async function giveJobsTheirRound(store: Transaction): Promise<void> {
  await store
    .table<Partial<Job>>('jobs')
    .toCollection()
    .modify((job) => {
      job.round ??= null;
      job.follows ??= null;
      job.sheets = (job.sheets ?? []).map((sheet) => Object.assign({ leftOut: null }, sheet));
    });
}

/** Nobody was asked to sign for a job, and none took of a vehicle. */
async function giveJobsTheirSigning(store: Transaction): Promise<void> {
  await store
    .table<Partial<Job>>('jobs')
    .toCollection()
    .modify((job) => {
      job.signing ??= null;
      job.takes ??= [];
    });
}

/** One's jobs and everybody's visits to them. */
export const planningOnPhone = {
  tables: { 1: { visits: 'id, day, job', jobs: 'id, site' }, 11: { favourites: 'id' } },
  upgrades: {
    4: giveJobsTheirParts,
    6: giveBegunJobsTheirThing,
    9: giveJobsTheirRound,
    11: giveJobsTheirSigning,
  },
  records: {
    job: {
      keep: async (store, records) => {
        await store.jobs.bulkPut(records.map(({ body }) => body));
        await showWaiting(store);
      },
    },
    visit: { keep: keepVisits, drop: noteGone },
    favourite: {
      keep: async (store, records) => {
        await store.favourites.bulkPut(bodiesOf(records));
        await showWaiting(store);
      },
    },
  },
  operations: planningOperations,
  clearAway,
} satisfies OnPhone;
