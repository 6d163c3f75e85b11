import { JOB_STATES, PARTS, VISIT_STEPS } from '@ant-trail/core/planning';
import { z } from 'zod';
import { SheetRef } from '../capture/index.ts';
import { Day, Id, Instant, MinuteOfDay, Name, TimedId } from '../common/index.ts';
import { FactsContent } from '../fields/index.ts';
import { Load } from './load.ts';
import { Signing } from './signing.ts';

export { Favourite, FavouriteSaid } from './favourites.ts';
export { MOST_IN_OWN_ORDER, OwnOrder } from './own-order.ts';
export { Load } from './load.ts';
export { SignedOnSite, Signing, UNSIGNED } from './signing.ts';

export const JobState = z.enum(JOB_STATES);

/** How many sheets one job may have. */
export const MOST_SHEETS = 500;
export const SheetCount = z.int().min(1, 'At least one sheet.').max(MOST_SHEETS);

/** One sheet of a job. */
export const JobSheet = z.object({
  id: Id,
  version: Id,
  template: Id,
  title: Name,
  /** The thing of the register it is about; null for the whole job. */
  asset: Id.nullable(),
  /** Whose it is; null for everybody who is at the job. */
  person: Id.nullable(),
  /** Planned by the office; others were added on site. */
  expected: z.boolean(),
  /** Somebody went past it, and why. Offices of before knew no such thing. */
  leftOut: z.object({ reason: z.string(), by: Id, at: Instant }).nullable().default(null),
});
export type JobSheet = z.infer<typeof JobSheet>;

export const Job = z.object({
  id: Id,
  site: Id,
  template: Id,
  title: Name,
  instructions: z.string(),
  day: Day,
  windowFrom: MinuteOfDay.nullable(),
  windowTo: MinuteOfDay.nullable(),
  recipients: z.array(z.string()),
  state: JobState,
  /** The first of its sheets, for phones of a time when a job had one. */
  sheet: SheetRef,
  sheets: z.array(JobSheet),
  expectedSheets: SheetCount.nullable(),
  /** Who is to read its sheets; null for whoever comes to it. Offices of before named nobody. */
  reader: Id.nullable().default(null),
  own: FactsContent.exactOptional(),
  /** The round it is a part of, and which walk of it. Offices of before knew no rounds. */
  round: z.object({ id: Id, name: Name, walk: Id }).nullable().default(null),
  /** The job it follows by a rule. Offices of before knew no such rules. */
  follows: z.object({ job: Id, title: Name, day: Day }).nullable().default(null),
  /** Who signs for it at the place. Offices of before asked nobody. */
  signing: Signing.nullable().default(null),
  /** What it takes of a vehicle. Offices of before did not know. */
  takes: Load.default([]),
});
export type Job = z.infer<typeof Job>;

/** Why somebody was far away, or turned back. */
export const StepReason = z
  .string()
  .trim()
  .min(1, 'Say why: the office has to know what to change.')
  .max(1000, 'Shorter: at most 1,000 letters.');

/** What a phone or the office knows happened at a visit. */
export const VisitEvent = z
  .object({
    id: TimedId,
    visit: Id,
    kind: z.enum(VISIT_STEPS),
    by: Id,
    at: Instant,
    /** Where the phone was, when it could tell. */
    fix: z.object({ lat: z.number(), lon: z.number(), accuracy: z.number().min(0) }).nullable(),
    /** From the fix to the site, in metres. */
    distance: z.number().min(0).nullable(),
    /** Why the person was far away, or turned back. */
    reason: z.string().max(1000).exactOptional(),
  })
  .strict()
  .refine(({ kind, reason }) => kind !== 'turned back' || StepReason.safeParse(reason).success, {
    message: 'Say why you turned back.',
    path: ['reason'],
  });
export type VisitEvent = z.infer<typeof VisitEvent>;

export const Visit = z.object({
  id: Id,
  job: Id,
  person: Id.nullable(),
  day: Day,
  start: MinuteOfDay,
  minutes: z.int(),
  /** What the person is there for. Phones of before knew only one at a job. */
  part: z.enum(PARTS).default('leads'),
  /** The one that turned back, in whose place it was planned. */
  insteadOf: Id.nullable().default(null),
  events: z.array(VisitEvent),
});
export type Visit = z.infer<typeof Visit>;

/** One stop of the day: a visit with the job it is for. */
export const VisitCard = z.object({ job: Job, visit: Visit, siteName: z.string() });
export type VisitCard = z.infer<typeof VisitCard>;

/** A job as lists show it, with everybody's visits, whoever leads first. */
export const JobCard = z.object({ job: Job, visits: z.array(Visit), siteName: z.string() });
export type JobCard = z.infer<typeof JobCard>;

/** Work that begins without a plan: the phone makes the job, the visit and the sheet at once. */
export const BegunJob = z
  .object({
    id: TimedId,
    visit: TimedId,
    sheet: TimedId,
    site: Id,
    /** The thing the work was begun at; phones of before begin it at the place alone. */
    asset: Id.nullable().default(null),
    version: Id,
    title: Name,
    day: Day,
    start: MinuteOfDay,
    by: Id,
    at: Instant,
  })
  .strict();
export type BegunJob = z.infer<typeof BegunJob>;

/** A sheet added on site. Its id is that of the sheet. */
export const AddedSheet = z
  .object({
    id: TimedId,
    job: Id,
    version: Id,
    asset: Id.nullable(),
    person: Id.nullable(),
    by: Id,
    at: Instant,
  })
  .strict();
export type AddedSheet = z.infer<typeof AddedSheet>;

/** A sheet somebody at the job goes past: it stands until somebody begins it after all. */
export const LeftOutSheet = z
  .object({
    id: TimedId,
    job: Id,
    sheet: Id,
    reason: z
      .string()
      .trim()
      .min(1, 'Say why it is left out: the office has to know.')
      .max(1000, 'Shorter: at most 1,000 letters.'),
    by: Id,
    at: Instant,
  })
  .strict();
export type LeftOutSheet = z.infer<typeof LeftOutSheet>;

/** A visit, or one sheet, given to a colleague as it stands. */
export const Handover = z
  .object({
    id: TimedId,
    job: Id,
    /** The visit that is handed over; null where only a sheet is. */
    visit: Id.nullable(),
    sheet: Id.nullable(),
    to: Id,
    word: z.string().trim().max(1000),
    by: Id,
    at: Instant,
  })
  .strict()
  .refine(({ visit, sheet }) => (visit === null) !== (sheet === null), {
    message: 'Either a visit or a sheet is handed over.',
  })
  .refine(({ by, to }) => by !== to, { message: 'It is handed over to somebody else.' });
export type Handover = z.infer<typeof Handover>;
