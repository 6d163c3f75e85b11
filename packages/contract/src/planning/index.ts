import { JOB_DECISIONS, JOB_STATES, PARTS, VISIT_STEPS } from '@ant-trail/core/planning';
import { STAGES } from '@ant-trail/core/sheet';
import { z } from 'zod';
import { SheetRef } from '../capture/index.ts';
import {
  Day,
  Id,
  Instant,
  ListQuery,
  listOf,
  MinuteOfDay,
  Name,
  TimedId,
  Words,
} from '../common/index.ts';
import { FactsContent, FieldsWhere } from '../fields/index.ts';

export {
  BoardAnswer,
  BoardPeople,
  BoardQuery,
  BoardStop,
  BoardWays,
  CalendarAnswer,
  CalendarQuery,
  MOST_STOPS,
  PlannerHere,
  PlannersAnswer,
  type CalendarDay,
} from './board.ts';
export { CalendarLink, CalendarLinkMade } from './calendar-link.ts';
export { ManyJobs, ManyJobsMade, MOST_AT_ONCE } from './many-jobs.ts';
export { DayChange, MOST_IN_ORDER, NotPlaced, OrderAnswer, OrderAsk, PlansTaken } from './order.ts';
export { Shortfall, SuitingAnswer, SuitingQuery } from './suiting.ts';

export const JobState = z.enum(JOB_STATES);

/** How many sheets one job may have. */
export const MOST_SHEETS = 500;
const SheetCount = z.int().min(1, 'At least one sheet.').max(MOST_SHEETS);

/** A sheet that a job is to have: what for, and whose it is (null for everybody at the job). */
export const SheetDraft = z
  .object({ template: Id, asset: Id.nullable(), person: Id.nullable() })
  .strict();
export type SheetDraft = z.infer<typeof SheetDraft>;

export const JobDraft = z
  .object({
    site: Id,
    template: Id,
    /** The thing of the place its first sheet is about. */
    asset: Id.nullable().exactOptional(),
    title: Name,
    instructions: Words,
    day: Day,
    windowFrom: MinuteOfDay.nullable(),
    windowTo: MinuteOfDay.nullable(),
    start: MinuteOfDay,
    minutes: z.int().min(5, 'At least 5 minutes.').max(720, 'At most 12 hours.'),
    person: Id.nullable(),
    recipients: z.array(z.email('This is not an e-mail address.')).max(10),
    /** Key of the client's programme in the template. */
    programme: z.string().max(80).optional(),
    /** Sheets besides the first, in their order. */
    moreSheets: z
      .array(SheetDraft)
      .max(MOST_SHEETS - 1)
      .optional(),
    /** Who is there besides the person, at the same time. */
    helpers: z.array(Id).max(20).optional(),
    /** How many sheets there are to be in the end, where some are only found on site. */
    expectedSheets: SheetCount.nullable().optional(),
    /** Who is to read what comes back; null for whoever comes to it. */
    reader: Id.nullable().optional(),
    /** What is known by the office's own fields. */
    own: FactsContent.exactOptional(),
  })
  .refine(
    (job) => job.windowFrom === null || job.windowTo === null || job.windowFrom < job.windowTo,
    {
      message: 'The window must end after it begins.',
      path: ['windowTo'],
    },
  );
export type JobDraft = z.infer<typeof JobDraft>;

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
});
export type Job = z.infer<typeof Job>;

export const JobOwnDraft = z.object({ own: FactsContent }).strict();

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

export const VisitPlan = z.object({
  person: Id.nullable(),
  day: Day,
  start: MinuteOfDay,
  minutes: z.int().min(5).max(720),
});
export type VisitPlan = z.infer<typeof VisitPlan>;

/** One stop of the day: a visit with the job it is for. */
export const VisitCard = z.object({ job: Job, visit: Visit, siteName: z.string() });
export type VisitCard = z.infer<typeof VisitCard>;

/** A job as lists show it, with everybody's visits, whoever leads first. */
export const JobCard = z.object({ job: Job, visits: z.array(Visit), siteName: z.string() });
export type JobCard = z.infer<typeof JobCard>;

export const PlansAnswer = z.object({ cards: z.array(VisitCard) });
export const DayAnswer = z.object({ day: Day, cards: z.array(VisitCard) });
export const JOB_ORDERS = ['day', '-day', 'place', '-place'] as const;
export const JobsQuery = ListQuery.extend({
  state: JobState.optional(),
  site: Id.optional(),
  /** Whose visits; those of nobody yet by “nobody”. */
  person: z.union([z.literal('nobody'), Id]).optional(),
  template: Id.optional(),
  where: FieldsWhere.optional(),
  from: Day.optional(),
  to: Day.optional(),
  order: z.enum(JOB_ORDERS).default('-day'),
});
export type JobsQuery = z.infer<typeof JobsQuery>;
export const JobsAnswer = listOf(JobCard);
export const DayQuery = z.object({ day: Day });

/** What the office decides about a whole job. */
export const JobDecisionDraft = z
  .object({
    decision: z.enum(JOB_DECISIONS),
    reason: z.string().trim().min(1, 'Say why.').max(1000),
  })
  .strict();
export type JobDecisionDraft = z.infer<typeof JobDecisionDraft>;

/** What a sheet of a job has come to, and what was decided about the job. */
export const JobDetails = z.object({
  card: JobCard,
  sheets: z.array(
    z.object({
      ...{ id: Id, stage: z.enum(STAGES), answered: z.int(), asked: z.int() },
      /** What follows it by the rule of its template; the job and the day once they are known. */
      next: z
        .object({
          title: Name,
          /** Days after it was finished. */
          days: z.int(),
          onlyAmiss: z.boolean(),
          day: Day.nullable(),
          job: Id.nullable(),
          /** Why it could not be planned; null where it could, or is not yet. */
          trouble: z.string().nullable(),
        })
        .nullable(),
    }),
  ),
  decisions: z.array(
    z.object({ decision: z.enum(JOB_DECISIONS), reason: z.string(), by: Id, at: Instant }),
  ),
});
export type JobDetails = z.infer<typeof JobDetails>;

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

/** What an organisation that begins has by now. */
export const FirstSteps = z.object({
  people: z.boolean(),
  clients: z.boolean(),
  places: z.boolean(),
  things: z.boolean(),
  templates: z.boolean(),
  jobs: z.boolean(),
  /** Somebody's sheet was approved, and its report made. */
  reports: z.boolean(),
});
export type FirstSteps = z.infer<typeof FirstSteps>;
