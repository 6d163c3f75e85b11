import type { Job, Visit, VisitEvent } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import { loadPatternsFor } from '@ant-trail/core/logic';
import { nextStep, type JobState, type NextStep } from '@ant-trail/core/planning';
import {
  fold,
  planSheet,
  type SheetPlan,
  type SheetState,
  type TemplateVersion,
} from '@ant-trail/core/sheet';
import type { LocalStore } from '@/device/local-store.ts';

/** A stop on the trail with all that the phone knows of it. */
export interface TrailStop {
  readonly visit: Visit;
  readonly job: Job;
  readonly site: Site;
  readonly sheet: SheetState;
  readonly step: NextStep;
  /** Entries and photos of this stop that the office has not received yet. */
  readonly unsent: number;
  readonly receivedAt: string | null;
  readonly returnedWith: string | null;
}

const plans = new Map<string, SheetPlan>();

export function planFor(version: TemplateVersion): SheetPlan {
  const plan = plans.get(version.id) ?? planSheet(version.body);
  plans.set(version.id, plan);
  return plan;
}

const did = (visit: Visit, kind: VisitEvent['kind']): boolean =>
  visit.events.some((event) => event.kind === kind);

export async function loadStop(store: LocalStore, visit: Visit): Promise<TrailStop | null> {
  const job = await store.jobs.get(visit.job);
  const site = job && (await store.sites.get(job.site));
  const version = job && (await store.templates.get(job.sheet.version));
  if (!job || !site || !version) return null;
  await loadPatternsFor(version.body);
  const entries = await store.entries.where('sheet').equals(job.sheet.id).toArray();
  const photos = await store.photos.where('sheet').equals(job.sheet.id).toArray();
  const sheet = fold(
    planFor(version),
    entries.map((entry) => entry.body),
  );
  const receipts = entries.map((entry) => entry.receivedAt);
  const stage = sheet.stage;
  return {
    visit,
    job,
    site,
    sheet,
    step: nextStep({ setOff: did(visit, 'set off'), arrived: did(visit, 'arrived'), stage }),
    unsent:
      receipts.filter((at) => at === null).length +
      photos.filter((photo) => photo.receivedAt === null).length,
    receivedAt: receipts.reduce<string | null>(
      (last, at) => (at && at > (last ?? '') ? at : last),
      null,
    ),
    returnedWith: stage === 'returned' ? (sheet.stageEntry?.reason ?? '') : null,
  };
}

export interface Trail {
  /** What came back or was left over from earlier days. */
  readonly leftOver: readonly TrailStop[];
  readonly stops: readonly TrailStop[];
  readonly next: TrailStop | null;
}

/** Nothing is left to do at these. */
const SETTLED: ReadonlySet<JobState | undefined> = new Set<JobState>([
  'approved',
  'closed',
  'cancelled',
]);

/** A person's trail for a day; on today's, returned and unfinished work of earlier days leads. */
export async function loadTrail(store: LocalStore, day: string, today: string): Promise<Trail> {
  const all = await store.visits.toArray();
  const load = async (visits: readonly Visit[]): Promise<TrailStop[]> =>
    (await Promise.all(visits.map((visit) => loadStop(store, visit)))).filter(
      (stop) => stop !== null,
    );
  const earlier = day === today ? all.filter((visit) => visit.day < today) : [];
  const jobs = await store.jobs.bulkGet(earlier.map((visit) => visit.job));
  const open = await load(earlier.filter((_, index) => !SETTLED.has(jobs[index]?.state)));
  const leftOver = open.filter(
    ({ sheet }) => sheet.stage !== 'finished' && sheet.stage !== 'approved',
  );
  const stops = await load(all.filter((visit) => visit.day === day));
  stops.sort((a, b) => a.visit.start - b.visit.start);
  const ahead = [...stops, ...leftOver].filter((stop) => stop.step !== 'nothing');
  const next =
    ahead.find((stop) => stop.step === 'go on' || stop.step === 'start') ??
    ahead.find((stop) => stop.step === 'arrived') ??
    ahead[0] ??
    null;
  return { leftOver, stops, next };
}
