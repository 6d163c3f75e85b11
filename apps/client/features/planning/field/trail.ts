import type { Job, JobSheet, Visit } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import {
  hasSaid,
  isTheirs,
  nextStep,
  SETTLED_STATES,
  sheetToGoOn,
  turningBack,
  type JobState,
  type NextStep,
} from '@ant-trail/core/planning';
import { fold, prepareFor, type Stage, type TemplateVersion } from '@ant-trail/core/sheet';
import type { KeptEntry, LocalStore } from '@/device/local-store.ts';
import { knownOf, type Known } from './known-of-visits.ts';
import { planFor } from './plan-for.ts';

/** One of the sheets somebody fills in at a stop. */
export interface TrailSheet {
  readonly sheet: JobSheet;
  readonly stage: Stage;
  /** Why somebody went past it, as long as nobody has begun it since. */
  readonly leftOut: JobSheet['leftOut'];
  readonly answered: number;
  readonly asked: number;
  /** What the office said as it came back; null where it did not. */
  readonly returnedWith: string | null;
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
  /** Why nothing could be done here, where somebody turned back. */
  readonly turnedBackFor: string | null;
}

/** Why somebody turned back at this stop; null where they did not, or try again. */
function turnedBackFor({ events }: Visit): string | null {
  const back = turningBack(events);
  return back ? (back.reason ?? '') : null;
}

/** Whether leaving is asked about: where there is more than the one sheet everybody knows of. */
export const isAskedBeforeLeaving = ({ sheets, expectedSheets }: Job): boolean =>
  sheets.length > 1 || expectedSheets !== null;

const UNTOUCHED = { stage: 'untouched', answered: 0, asked: 0, returnedWith: null } as const;

/** How far a sheet is. One that nobody touched need not be folded to know that. */
async function standingOf(
  version: TemplateVersion | undefined,
  entries: readonly KeptEntry[],
): Promise<Pick<TrailSheet, 'stage' | 'answered' | 'asked' | 'returnedWith'>> {
  if (!version || entries.length === 0) return UNTOUCHED;
  await prepareFor(version.body);
  const { stage, answered, asked, stageEntry } = fold(
    planFor(version),
    entries.map(({ body }) => body),
  );
  const returnedWith = stage === 'returned' ? (stageEntry?.reason ?? '') : null;
  return { stage, answered, asked, returnedWith };
}

const latest = (instants: readonly (string | null)[]): string | null =>
  instants.reduce<string | null>((last, at) => (at && at > (last ?? '') ? at : last), null);

async function sheetAt(known: Known, sheet: JobSheet): Promise<TrailSheet | null> {
  if (!known.versionsHere.has(sheet.version)) return null;
  const entries = known.entries.get(sheet.id) ?? [];
  const photos = known.photos.get(sheet.id) ?? [];
  const thing = sheet.asset === null ? undefined : known.assets.get(sheet.asset);
  const standing = await standingOf(known.versions.get(sheet.version), entries);
  const receipts = entries.map(({ receivedAt }) => receivedAt);
  return {
    ...standing,
    sheet,
    leftOut: standing.stage === 'untouched' ? sheet.leftOut : null,
    title: thing ? `${sheet.title}, ${thing.name}` : sheet.title,
    unsent:
      receipts.filter((at) => at === null).length +
      photos.filter(({ receivedAt }) => receivedAt === null).length,
    receivedAt: latest(receipts),
  };
}

async function stopAt(known: Known, visit: Visit): Promise<TrailStop | null> {
  const job = known.jobs.get(visit.job);
  const site = job && known.sites.get(job.site);
  if (!job || !site) return null;
  const own = job.sheets.filter((sheet) => isTheirs(sheet, visit.person ?? ''));
  // Somebody who handed over every sheet still sees what was theirs.
  const shown = own.length > 0 ? own : job.sheets;
  const loaded = await Promise.all(shown.map((sheet) => sheetAt(known, sheet)));
  const sheets = loaded.filter((sheet) => sheet !== null);
  const current = sheetToGoOn(sheets);
  if (!current) return null;
  // Where all else is gone past, nothing is left to fill in.
  const stage = current.leftOut ? 'finished' : current.stage;
  const step = nextStep({
    setOff: hasSaid(visit.events, 'set off'),
    arrived: hasSaid(visit.events, 'arrived'),
    stage,
  });
  const isLeaving =
    stage === 'finished' &&
    hasSaid(visit.events, 'arrived') &&
    !hasSaid(visit.events, 'left') &&
    isAskedBeforeLeaving(job);
  return {
    visit,
    job,
    site,
    sheets,
    current,
    others: (known.visits.get(job.id) ?? []).filter(({ id }) => id !== visit.id),
    step: isLeaving ? 'leave' : step,
    unsent: sheets.reduce((sum, sheet) => sum + sheet.unsent, 0),
    receivedAt: latest(sheets.map((sheet) => sheet.receivedAt)),
    turnedBackFor: turnedBackFor(visit),
    returnedWith: current.returnedWith,
  };
}

/** One stop with all that the phone knows of it; null where something of it is not here. */
export async function loadStop(store: LocalStore, visit: Visit): Promise<TrailStop | null> {
  return stopAt(await knownOf(store, [visit]), visit);
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
  const ofDay = all.filter((visit) => visit.day === day);
  const earlier = day === today ? all.filter((visit) => visit.day < today) : [];
  const jobsOfDay = new Set(ofDay.map(({ job }) => job));
  const known = await knownOf(
    store,
    [...ofDay, ...earlier],
    ({ id, state }) => jobsOfDay.has(id) || !SETTLED.has(state),
  );
  const load = async (visits: readonly Visit[]): Promise<TrailStop[]> =>
    (await Promise.all(visits.map((visit) => stopAt(known, visit)))).filter(
      (stop) => stop !== null,
    );
  const open = await load(earlier.filter(({ job }) => !SETTLED.has(known.jobs.get(job)?.state)));
  const leftOver = open.filter(
    ({ current, turnedBackFor: why }) =>
      why === null && current.stage !== 'finished' && current.stage !== 'approved',
  );
  const stops = await load(ofDay);
  stops.sort((a, b) => a.visit.start - b.visit.start);
  const ahead = [...stops, ...leftOver].filter(
    (stop) => stop.step !== 'nothing' && stop.turnedBackFor === null,
  );
  const next =
    ahead.find(({ step }) => step === 'go on' || step === 'start' || step === 'leave') ??
    ahead.find((stop) => stop.step === 'arrived') ??
    ahead[0] ??
    null;
  return { leftOver, stops, next };
}
