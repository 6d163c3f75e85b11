import type { Job, JobSheet, Visit, VisitEvent } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import {
  isTheirs,
  nextStep,
  SETTLED_STATES,
  sheetToGoOn,
  type JobState,
  type NextStep,
} from '@ant-trail/core/planning';
import {
  fold,
  planSheet,
  type SheetPlan,
  type SheetState,
  type Stage,
  type TemplateVersion,
  prepareFor,
} from '@ant-trail/core/sheet';
import type { LocalStore } from '@/device/local-store.ts';

/** One of the sheets somebody fills in at a stop. */
export interface TrailSheet {
  readonly sheet: JobSheet;
  readonly state: SheetState;
  readonly stage: Stage;
  /** What it is about: its own title, and the thing where it is of one. */
  readonly title: string;
  readonly unsent: number;
  readonly receivedAt: string | null;
}

/** A stop on the trail with all that the phone knows of it. */
export interface TrailStop {
  readonly visit: Visit;
  readonly job: Job;
  readonly site: Site;
  /** The sheets that are this person's or everybody's, in the job's order. */
  readonly sheets: readonly TrailSheet[];
  /** The one to go on with. */
  readonly current: TrailSheet;
  /** Who else is there. */
  readonly others: readonly Visit[];
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

/** Whether leaving is asked about: where there is more than the one sheet everybody knows of. */
export const isAskedBeforeLeaving = ({ sheets, expectedSheets }: Job): boolean =>
  sheets.length > 1 || expectedSheets !== null;

async function loadSheet(store: LocalStore, sheet: JobSheet): Promise<TrailSheet | null> {
  const version = await store.templates.get(sheet.version);
  if (!version) return null;
  await prepareFor(version.body);
  const entries = await store.entries.where('sheet').equals(sheet.id).toArray();
  const photos = await store.photos.where('sheet').equals(sheet.id).toArray();
  const thing = sheet.asset === null ? undefined : await store.assets.get(sheet.asset);
  const state = fold(
    planFor(version),
    entries.map((entry) => entry.body),
  );
  const receipts = entries.map((entry) => entry.receivedAt);
  return {
    sheet,
    state,
    stage: state.stage,
    title: thing ? `${sheet.title}, ${thing.name}` : sheet.title,
    unsent:
      receipts.filter((at) => at === null).length +
      photos.filter((photo) => photo.receivedAt === null).length,
    receivedAt: latest(receipts),
  };
}

const latest = (instants: readonly (string | null)[]): string | null =>
  instants.reduce<string | null>((last, at) => (at && at > (last ?? '') ? at : last), null);

export async function loadStop(store: LocalStore, visit: Visit): Promise<TrailStop | null> {
  const job = await store.jobs.get(visit.job);
  const site = job && (await store.sites.get(job.site));
  if (!job || !site) return null;
  const own = job.sheets.filter((sheet) => isTheirs(sheet, visit.person ?? ''));
  // Somebody who handed over every sheet still sees what was theirs.
  const shown = own.length > 0 ? own : job.sheets;
  const loaded = await Promise.all(shown.map((sheet) => loadSheet(store, sheet)));
  const sheets = loaded.filter((sheet) => sheet !== null);
  const current = sheetToGoOn(sheets);
  if (!current) return null;
  const { stage, state } = current;
  const others = await store.visits.where('job').equals(job.id).toArray();
  const step = nextStep({ setOff: did(visit, 'set off'), arrived: did(visit, 'arrived'), stage });
  const isLeaving =
    stage === 'finished' &&
    did(visit, 'arrived') &&
    !did(visit, 'left') &&
    isAskedBeforeLeaving(job);
  return {
    visit,
    job,
    site,
    sheets,
    current,
    others: others.filter(({ id }) => id !== visit.id),
    step: isLeaving ? 'leave' : step,
    unsent: sheets.reduce((sum, sheet) => sum + sheet.unsent, 0),
    receivedAt: latest(sheets.map((sheet) => sheet.receivedAt)),
    returnedWith: stage === 'returned' ? (state.stageEntry?.reason ?? '') : null,
  };
}

export interface Trail {
  /** What came back or was left over from earlier days. */
  readonly leftOver: readonly TrailStop[];
  readonly stops: readonly TrailStop[];
  readonly next: TrailStop | null;
}

/** Nothing is left to do at these. */
const SETTLED: ReadonlySet<JobState | undefined> = new Set(SETTLED_STATES);

/** A person's trail for a day; on today's, returned and unfinished work of earlier days leads. */
export async function loadTrail(
  store: LocalStore,
  person: string,
  day: string,
  today: string,
): Promise<Trail> {
  // Colleagues' visits at the same jobs are here as well.
  const all = await store.visits.filter((visit) => visit.person === person).toArray();
  const load = async (visits: readonly Visit[]): Promise<TrailStop[]> =>
    (await Promise.all(visits.map((visit) => loadStop(store, visit)))).filter(
      (stop) => stop !== null,
    );
  const earlier = day === today ? all.filter((visit) => visit.day < today) : [];
  const jobs = await store.jobs.bulkGet(earlier.map((visit) => visit.job));
  const open = await load(earlier.filter((_, index) => !SETTLED.has(jobs[index]?.state)));
  const leftOver = open.filter(
    ({ current }) => current.stage !== 'finished' && current.stage !== 'approved',
  );
  const stops = await load(all.filter((visit) => visit.day === day));
  stops.sort((a, b) => a.visit.start - b.visit.start);
  const ahead = [...stops, ...leftOver].filter((stop) => stop.step !== 'nothing');
  const next =
    ahead.find(({ step }) => step === 'go on' || step === 'start' || step === 'leave') ??
    ahead.find((stop) => stop.step === 'arrived') ??
    ahead[0] ??
    null;
  return { leftOver, stops, next };
}
