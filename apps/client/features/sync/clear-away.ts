import { addDays } from '@ant-trail/core/calendar';
import type { JobState } from '@ant-trail/core/planning';
import type { Job, Visit } from '@ant-trail/contract/planning';
import type { LocalStore } from '@/device/local-store.ts';
import { spaceIsLow } from '@/device/storage.ts';
import { goneVisits, setGoneVisits } from './records.ts';

/** What is settled stays on the phone this long after its day. */
const DAYS_KEPT = 14;
const SETTLED: ReadonlySet<JobState> = new Set(['in review', 'approved', 'closed', 'cancelled']);
/**
 * Takes off the phone what it no longer needs: visits that were taken from this person, and
 * settled ones after a while. Nothing that the office does not have is touched.
 */
export async function clearAway(store: LocalStore, today: string): Promise<void> {
  await store.transaction('rw', store.tables, async () => {
    const gone = new Set(await goneVisits(store));
    const stillToGo: string[] = [];
    const settledBefore = addDays(today, -DAYS_KEPT);
    for (const visit of await store.visits.toArray()) {
      const job = await store.jobs.get(visit.job);
      if (!job) continue;
      const isGone = gone.has(visit.id);
      const isOld = visit.day < settledBefore && SETTLED.has(job.state);
      if (!isOld && !isGone) continue;
      if (!(await hasUnsent(store, visit, job))) await takeOff(store, visit, job);
      else if (isGone) stillToGo.push(visit.id);
    }
    // The office names every visit that is not this person's; most were never here.
    await setGoneVisits(store, stillToGo);
  });
}

async function hasUnsent(store: LocalStore, visit: Visit, job: Job): Promise<boolean> {
  const sheet = job.sheet.id;
  const entries = store.entries.where('sheet').equals(sheet);
  const photos = store.photos.where('sheet').equals(sheet);
  const steps = new Set(visit.events.map(({ id }) => id));
  return (
    (await entries.filter(({ receivedAt }) => receivedAt === null).count()) > 0 ||
    (await photos.filter(({ receivedAt }) => receivedAt === null).count()) > 0 ||
    (await store.outbox
      .filter(({ id, operation }) =>
        operation.kind === 'visit event' ? steps.has(id) : operation.body.sheet === sheet,
      )
      .count()) > 0
  );
}

async function takeOff(store: LocalStore, visit: Visit, job: Job): Promise<void> {
  const sheet = job.sheet.id;
  await store.visits.delete(visit.id);
  await store.jobs.delete(job.id);
  await store.entries.where('sheet').equals(sheet).delete();
  await store.photos.where('sheet').equals(sheet).delete();
  await store.actions.where('sheet').equals(sheet).delete();
}

/**
 * Whether space on this phone runs low. It then makes room with pictures the office has, which
 * can be fetched from there again.
 */
export async function makeRoom(store: LocalStore): Promise<boolean> {
  const isLow = await spaceIsLow();
  if (isLow) await store.photos.filter(({ receivedAt }) => receivedAt !== null).delete();
  return isLow;
}
