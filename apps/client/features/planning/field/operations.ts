import {
  UNSIGNED,
  type BegunJob,
  type JobSheet,
  type OwnOrder,
} from '@ant-trail/contract/planning';
import { UNPLANNED_MINUTES, type VisitStep } from '@ant-trail/core/planning';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import { letSealsGo } from '@/features/arrival/field/on-phone.ts';
import type { LocalStore, OnPhone } from '@/device/local-store.ts';

const STEPS: Record<VisitStep, string> = {
  'set off': 'Setting off',
  arrived: 'Arriving',
  left: 'Leaving',
  'turned back': 'Turning back',
};

const sheetUnder = (
  id: string,
  version: TemplateVersion,
  more: Pick<JobSheet, 'asset' | 'person' | 'expected'>,
): JobSheet => ({
  leftOut: null,
  ...{ id, version: version.id, template: version.template, title: version.body.title },
  ...more,
});

async function showBegunJob(store: LocalStore, begun: BegunJob): Promise<void> {
  const version = await store.templates.get(begun.version);
  if (!version || (await store.jobs.get(begun.id))) return;
  const { id, site, asset, title, day, start, by } = begun;
  await store.jobs.add({
    ...{ id, site, template: version.template, title, instructions: '', day },
    ...{ windowFrom: null, windowTo: null, recipients: [], state: 'planned' },
    sheet: { id: begun.sheet, job: id, version: version.id },
    sheets: [sheetUnder(begun.sheet, version, { asset, person: null, expected: true })],
    expectedSheets: null,
    reader: null,
    ...{ round: null, follows: null, takes: [] },
    signing: version.body.signedOnSite ? UNSIGNED : null,
  });
  await store.visits.add({
    ...{ id: begun.visit, job: id, person: by, day, start, minutes: UNPLANNED_MINUTES },
    ...{ part: 'leads', insteadOf: null, events: [] },
  });
}

async function setStarts(
  store: LocalStore,
  stops: OwnOrder['stops'],
  which: 'start' | 'was',
): Promise<void> {
  for (const stop of stops) await store.visits.update(stop.visit, { start: stop[which] });
}

const leaveOut = (
  store: LocalStore,
  at: string,
  sheet: string,
  leftOut: JobSheet['leftOut'],
): Promise<unknown> =>
  store.jobs
    .where('id')
    .equals(at)
    .modify((job) => {
      job.sheets = job.sheets.map((each) => (each.id === sheet ? { ...each, leftOut } : each));
    });

/** What the phone shows of a job's parts before the office has it. */
export const planningOperations = {
  'visit event': {
    place: ({ visit }) => visit,
    say: ({ kind }) => STEPS[kind],
    show: async (store, event) => {
      await store.visits
        .where('id')
        .equals(event.visit)
        .modify((visit) => {
          if (!visit.events.some(({ id }) => id === event.id)) visit.events.push(event);
        });
      // Whoever has left keeps nothing of what is only for whoever is there.
      if (event.kind === 'left') await letSealsGo(store);
    },
    takeBack: (store, { id, visit: at }) =>
      store.visits
        .where('id')
        .equals(at)
        .modify((visit) => {
          visit.events = visit.events.filter((event) => event.id !== id);
        }),
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
  'sheet left out': {
    place: ({ sheet }) => sheet,
    say: ({ reason }) => `A sheet left out: ${reason}`,
    show: (store, { job, sheet, reason, by, at }) =>
      leaveOut(store, job, sheet, { reason, by, at }),
    takeBack: (store, { job, sheet }) => leaveOut(store, job, sheet, null),
  },
  'signed on site': {
    place: ({ visit }) => visit,
    say: ({ signature }) => `The signature of ${signature.name}`,
    show: async (store, { id, job: at, role, signature, by, at: when }) => {
      await store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          const { asked = false, waived = null, signed = null } = job.signing ?? {};
          if (signed && signed.id >= id) return;
          job.signing = { asked, waived, signed: { id, role, signature, by, at: when } };
        });
    },
    takeBack: (store, { id, job: at }) =>
      store.jobs
        .where('id')
        .equals(at)
        .modify((job) => {
          if (job.signing?.signed?.id === id) job.signing = { ...job.signing, signed: null };
        }),
  },
  'own order': {
    place: ({ by }) => by,
    say: () => 'Your stops in another order',
    show: (store, { stops }) => setStarts(store, stops, 'start'),
    takeBack: (store, { stops }) => setStarts(store, stops, 'was'),
  },
  favourite: {
    place: ({ ref }) => ref,
    say: ({ of, on }) => (on ? `A ${of} you want first` : `A ${of} that need not stand first`),
    show: async (store, { id, of, ref, on }) => {
      const before = await store.favourites.get(ref);
      if (!before || before.said < id) await store.favourites.put({ id: ref, of, on, said: id });
    },
    takeBack: (store, { ref }) => store.favourites.delete(ref),
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
} satisfies OnPhone['operations'];
