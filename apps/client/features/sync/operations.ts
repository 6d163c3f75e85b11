import type { Operation, OperationKind } from '@ant-trail/contract/sync';
import { parsePath } from '@ant-trail/core/log';
import type { LocalStore } from '@/device/local-store.ts';

type BodyOf<Kind extends OperationKind> = Extract<Operation, { kind: Kind }>['body'];

/** What the phone knows of a kind of operation while one waits to be sent. */
interface WaitingKind<Body> {
  /** The sheet or the visit it belongs to. */
  readonly place: (body: Body) => string;
  /** What it is, where the office refused it. */
  readonly say: (body: Body) => string;
  /** Takes back on this phone what it did here, once the person lets it go. */
  readonly takeBack?: (store: LocalStore, body: Body) => Promise<unknown>;
}

const STEPS = { 'set off': 'Setting off', arrived: 'Arriving', left: 'Leaving' } as const;

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
    takeBack: async (store, { id, visit }) => {
      await store.visits.delete(visit);
      await store.jobs.delete(id);
    },
  },
  'sheet added': {
    place: ({ id }) => id,
    say: () => 'A sheet added here',
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
    takeBack: async (store, { visit, sheet, job: at, by }) => {
      if (visit) await store.visits.update(visit, { person: by });
      await store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          job.sheets = job.sheets.map((each) =>
            each.id === sheet ? { ...each, person: by } : each,
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
