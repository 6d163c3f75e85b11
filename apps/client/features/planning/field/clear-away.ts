import type { Job, Visit } from '@ant-trail/contract/planning';
import { addDays } from '@ant-trail/core/calendar';
import { SETTLED_STATES, type JobState } from '@ant-trail/core/planning';
import type { LocalStore } from '@/device/local-store.ts';
import { placeOf } from '@/device/waiting.ts';
import { goneVisits, setGoneVisits } from './gone-visits.ts';

/** What is settled stays on the phone this long after its day. */
const DAYS_KEPT = 14;
const SETTLED: ReadonlySet<JobState> = new Set<JobState>(['in review', ...SETTLED_STATES]);
/**
 * Takes off the phone what it no longer needs: jobs at which this person has no visit any more, and
 * settled ones after a while. Nothing that the office does not have is touched.
 */
export async function clearAway(store: LocalStore, today: string): Promise<void> {
  await store.transaction('rw', store.tables, async () => {
    const gone = new Set(await goneVisits(store));
    const stillToGo: string[] = [];
    const settledBefore = addDays(today, -DAYS_KEPT);
    for (const job of await store.jobs.toArray()) {
      const visits = await store.visits.where('job').equals(job.id).toArray();
      const left = visits.filter(({ id }) => gone.has(id));
      const isGone = visits.length > 0 && left.length === visits.length;
      const isOld =
        visits.length > 0 &&
        visits.every(({ day }) => day < settledBefore) &&
        SETTLED.has(job.state);
      if (!isOld && !isGone) {
        await store.visits.bulkDelete(left.map(({ id }) => id));
        continue;
      }
      if (!(await hasUnsent(store, visits, job))) await takeOff(store, visits, job);
      else if (isGone) stillToGo.push(...left.map(({ id }) => id));
    }
    // The office names every visit that is not this person's; most were never here.
    await setGoneVisits(store, stillToGo);
  });
}

async function hasUnsent(store: LocalStore, visits: readonly Visit[], job: Job): Promise<boolean> {
  const sheets = job.sheets.map(({ id }) => id);
  const entries = store.entries.where('sheet').anyOf(sheets);
  const photos = store.photos.where('sheet').anyOf(sheets);
  const places = new Set([...sheets, ...visits.map(({ id }) => id)]);
  return (
    (await entries.filter(({ receivedAt }) => receivedAt === null).count()) > 0 ||
    (await photos.filter(({ receivedAt }) => receivedAt === null).count()) > 0 ||
    (await store.outbox.filter(({ operation }) => places.has(placeOf(store, operation))).count()) >
      0
  );
}

async function takeOff(store: LocalStore, visits: readonly Visit[], job: Job): Promise<void> {
  const sheets = job.sheets.map(({ id }) => id);
  await store.visits.bulkDelete(visits.map(({ id }) => id));
  await store.jobs.delete(job.id);
  await store.entries.where('sheet').anyOf(sheets).delete();
  await store.photos.where('sheet').anyOf(sheets).delete();
  await store.actions.where('sheet').anyOf(sheets).delete();
}
