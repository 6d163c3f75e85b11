import type { AddedSheet, BegunJob, Handover } from '@ant-trail/contract/planning';
import { inZone } from '@ant-trail/core/calendar';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { doHere } from '@/features/sync/outbox.ts';

/** Where work begins: at a place, or at a thing that stands there. */
export interface BeginAt {
  readonly site: string;
  readonly asset: string | null;
}

/** Begins work that nobody planned: job, visit and sheet are made on this phone. Gives the visit. */
export async function beginJob(
  store: LocalStore,
  by: string,
  { site, asset }: BeginAt,
  version: TemplateVersion,
  timeZone: string,
): Promise<string> {
  const now = officeTime();
  const { day, minute } = inZone(now, timeZone);
  const body: BegunJob = {
    ...{ id: newId(), visit: newId(), sheet: newId(), site, asset },
    version: version.id,
    ...{ title: version.body.title, day, start: minute, by, at: now.toISOString() },
  };
  await doHere(store, { kind: 'job begun', body });
  return body.visit;
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
  await doHere(store, { kind: 'sheet added', body });
  return body.id;
}

export type Given = Pick<Handover, 'job' | 'visit' | 'sheet' | 'to' | 'word'>;

/** Gives a visit or a sheet to a colleague as it stands; what is not sent yet goes out all the same. */
export async function handOver(store: LocalStore, by: string, given: Given): Promise<void> {
  const body: Handover = { ...given, id: newId(), by, at: new Date().toISOString() };
  await doHere(store, { kind: 'handover', body });
}

/** The templates this phone knows, each in its newest version, by title. */
export async function templatesHere(store: LocalStore): Promise<TemplateVersion[]> {
  const newest = new Map<string, TemplateVersion>();
  for (const version of await store.templates.toArray())
    if ((newest.get(version.template)?.number ?? 0) < version.number)
      newest.set(version.template, version);
  return [...newest.values()].sort((a, b) => a.body.title.localeCompare(b.body.title));
}
