import type { BegunJob, JobSheet } from '@ant-trail/contract/planning';
import type { Operation, OperationKind } from '@ant-trail/contract/sync';
import { parsePath } from '@ant-trail/core/log';
import { UNPLANNED_MINUTES } from '@ant-trail/core/planning';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import type { LocalStore } from '@/device/local-store.ts';

type BodyOf<Kind extends OperationKind> = Extract<Operation, { kind: Kind }>['body'];

/** What the phone knows of a kind of operation while one waits to be sent. */
interface WaitingKind<Body> {
  /** The sheet or the visit it belongs to. */
  readonly place: (body: Body) => string;
  /** What it is, where the office refused it. */
  readonly say: (body: Body) => string;
  /** Shows on this phone what it did, while the office has not answered; as often as wanted. */
  readonly show?: (store: LocalStore, body: Body) => Promise<unknown>;
  /** Takes back on this phone what it did here, once the person lets it go. */
  readonly takeBack?: (store: LocalStore, body: Body) => Promise<unknown>;
}

const STEPS = { 'set off': 'Setting off', arrived: 'Arriving', left: 'Leaving' } as const;

const sheetUnder = (
  id: string,
  version: TemplateVersion,
  more: Pick<JobSheet, 'asset' | 'person' | 'expected'>,
): JobSheet => ({
  ...{ id, version: version.id, template: version.template, title: version.body.title },
  ...more,
});

async function showBegunJob(store: LocalStore, begun: BegunJob): Promise<void> {
  const version = await store.templates.get(begun.version);
  if (!version || (await store.jobs.get(begun.id))) return;
  const { id, site, title, day, start, by } = begun;
  await store.jobs.add({
    ...{ id, site, template: version.template, title, instructions: '', day },
    ...{ windowFrom: null, windowTo: null, recipients: [], state: 'planned' },
    sheet: { id: begun.sheet, job: id, version: version.id },
    sheets: [sheetUnder(begun.sheet, version, { asset: null, person: null, expected: true })],
    expectedSheets: null,
  });
  await store.visits.add({
    ...{ id: begun.visit, job: id, person: by, day, start, minutes: UNPLANNED_MINUTES },
    ...{ part: 'leads', events: [] },
  });
}

/** Every kind of operation, each in one place. A kind that is missing does not compile. */
const KINDS: { readonly [Kind in OperationKind]: WaitingKind<BodyOf<Kind>> } = {
  entry: {
    place: ({ sheet }) => sheet,
    say: ({ path, kind }) =>
      kind === 'finish'
        ? 'Finishing the sheet'
        : `An answer to “${parsePath(path)?.key.replaceAll('_', ' ') ?? path}”`,
    takeBack: (store, { id }) => store.entries.delete(id),
  },
  'visit event': {
    place: ({ visit }) => visit,
    say: ({ kind }) => STEPS[kind],
    show: (store, event) =>
      store.visits
        .where('id')
        .equals(event.visit)
        .modify((visit) => {
          if (!visit.events.some(({ id }) => id === event.id)) visit.events.push(event);
        }),
    takeBack: (store, { id, visit: at }) =>
      store.visits
        .where('id')
        .equals(at)
        .modify((visit) => {
          visit.events = visit.events.filter((event) => event.id !== id);
        }),
  },
  action: {
    place: ({ sheet }) => sheet ?? '',
    say: ({ title }) => `The action “${title}”`,
    takeBack: (store, { id }) => store.actions.delete(id),
  },
  'job begun': {
    place: ({ visit }) => visit,
    say: ({ title }) => `The job “${title}”, begun here`,
    show: showBegunJob,
    takeBack: async (store, { id, visit }) => {
      await store.visits.delete(visit);
      await store.jobs.delete(id);
    },
  },
  'sheet added': {
    place: ({ id }) => id,
    say: () => 'A sheet added here',
    show: async (store, { id, job: at, version: under, asset, person }) => {
      const version = await store.templates.get(under);
      if (!version) return;
      const sheet = sheetUnder(id, version, { asset, person, expected: false });
      await store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          if (!job.sheets.some((each) => each.id === id)) job.sheets.push(sheet);
        });
    },
    takeBack: (store, { id, job: at }) =>
      store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          job.sheets = job.sheets.filter((sheet) => sheet.id !== id);
        }),
  },
  handover: {
    place: ({ visit, sheet }) => visit ?? sheet ?? '',
    say: ({ visit }) => (visit ? 'Handing over a visit' : 'Handing over a sheet'),
    show: async (store, { visit, sheet, job: at, by, to }) => {
      if (visit) await store.visits.update(visit, { person: to });
      await store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          job.sheets = job.sheets.map((each) =>
            each.id === sheet || (visit !== null && each.person === by)
              ? { ...each, person: to }
              : each,
          );
        });
    },
    takeBack: async (store, { visit, sheet, job: at, by, to }) => {
      if (visit) await store.visits.update(visit, { person: by });
      await store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          job.sheets = job.sheets.map((each) =>
            each.id === sheet || (visit !== null && each.person === to)
              ? { ...each, person: by }
              : each,
          );
        });
    },
  },
};

const kindOf = ({ kind }: Operation): WaitingKind<never> => KINDS[kind];

/** The sheet or visit an operation belongs to. */
export const placeOf = (operation: Operation): string =>
  kindOf(operation).place(operation.body as never);

/** An operation in words, such as “Arriving”. */
export const sayOperation = (operation: Operation): string =>
  kindOf(operation).say(operation.body as never);

/** Undoes on this phone what an operation did here. */
export async function takeBack(store: LocalStore, operation: Operation): Promise<void> {
  await kindOf(operation).takeBack?.(store, operation.body as never);
}

/** Shows on this phone what an operation does, before the office has it. */
export async function showHere(store: LocalStore, operation: Operation): Promise<void> {
  await kindOf(operation).show?.(store, operation.body as never);
}

/** What the office sent is older than what waits here: it must not cover that. */
export async function showWaiting(store: LocalStore): Promise<void> {
  const waiting = await store.outbox.orderBy('order').toArray();
  for (const { operation, refused } of waiting)
    if (refused === null) await showHere(store, operation);
}
