import type {
  AddedSheet,
  BegunJob,
  Handover,
  Job,
  JobSheet,
  Visit,
} from '@ant-trail/contract/planning';
import { inZone } from '@ant-trail/core/calendar';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { queue } from '@/features/sync/outbox.ts';

const sheetUnder = (
  id: string,
  version: TemplateVersion,
  more: Pick<JobSheet, 'asset' | 'person' | 'expected'>,
): JobSheet => ({
  ...{ id, version: version.id, template: version.template, title: version.body.title },
  ...more,
});

/** How long unplanned work is shown to take until the office says otherwise, in minutes. */
const MINUTES_GUESSED = 45;

/** Begins work that nobody planned: job, visit and sheet are made on this phone. Gives the visit. */
export async function beginJob(
  store: LocalStore,
  by: string,
  site: string,
  version: TemplateVersion,
  timeZone: string,
): Promise<string> {
  const now = new Date();
  const { day, minute } = inZone(now, timeZone);
  const body: BegunJob = {
    ...{ id: newId(), visit: newId(), sheet: newId(), site, version: version.id },
    ...{ title: version.body.title, day, start: minute, by, at: now.toISOString() },
  };
  const job: Job = {
    ...{ id: body.id, site, template: version.template, title: body.title, instructions: '', day },
    ...{ windowFrom: null, windowTo: null, recipients: [], state: 'planned' },
    sheet: { id: body.sheet, job: body.id, version: version.id },
    sheets: [sheetUnder(body.sheet, version, { asset: null, person: null, expected: true })],
    expectedSheets: null,
  };
  const visit: Visit = {
    ...{ id: body.visit, job: body.id, person: by, day, start: minute, minutes: MINUTES_GUESSED },
    ...{ part: 'leads', events: [] },
  };
  await store.transaction('rw', store.jobs, store.visits, store.outbox, async () => {
    await store.jobs.put(job);
    await store.visits.put(visit);
    await queue(store, [{ kind: 'job begun', body }]);
  });
  return visit.id;
}

/** Adds a sheet that turned out to be needed at a job. Gives its id. */
export async function addSheet(
  store: LocalStore,
  by: string,
  job: string,
  version: TemplateVersion,
  asset: string | null,
): Promise<string> {
  const body: AddedSheet = {
    ...{ id: newId(), job, version: version.id, asset, person: null, by },
    at: new Date().toISOString(),
  };
  const sheet = sheetUnder(body.id, version, { asset, person: null, expected: false });
  await store.transaction('rw', store.jobs, store.outbox, async () => {
    await store.jobs
      .where('id')
      .equals(job)
      .modify((kept) => {
        kept.sheets = [...kept.sheets, sheet];
      });
    await queue(store, [{ kind: 'sheet added', body }]);
  });
  return body.id;
}

export type Given = Pick<Handover, 'job' | 'visit' | 'sheet' | 'to' | 'word'>;

/** Gives a visit or a sheet to a colleague as it stands; what is not sent yet goes out all the same. */
export async function handOver(store: LocalStore, by: string, given: Given): Promise<void> {
  const { job, visit, sheet, to } = given;
  const body: Handover = { ...given, id: newId(), by, at: new Date().toISOString() };
  await store.transaction('rw', store.jobs, store.visits, store.outbox, async () => {
    if (visit) await store.visits.update(visit, { person: to });
    await store.jobs
      .where('id')
      .equals(job)
      .modify((kept) => {
        kept.sheets = kept.sheets.map((each) =>
          each.id === sheet || (visit !== null && each.person === by)
            ? { ...each, person: to }
            : each,
        );
      });
    await queue(store, [{ kind: 'handover', body }]);
  });
}

/** The templates this phone knows, each in its newest version, by title. */
export async function templatesHere(store: LocalStore): Promise<TemplateVersion[]> {
  const newest = new Map<string, TemplateVersion>();
  for (const version of await store.templates.toArray())
    if ((newest.get(version.template)?.number ?? 0) < version.number)
      newest.set(version.template, version);
  return [...newest.values()].sort((a, b) => a.body.title.localeCompare(b.body.title));
}
