import { JOB_DECISIONS } from '@ant-trail/core/planning';
import { STAGES } from '@ant-trail/core/sheet';
import { z } from 'zod';
import {
  Day,
  Id,
  Instant,
  ListQuery,
  listOf,
  MinuteOfDay,
  Name,
  Words,
} from '../../common/index.ts';
import { FactsContent, FieldsWhere } from '../../fields/index.ts';
import { JobCard, JobState, MOST_SHEETS, SheetCount, VisitCard } from '../index.ts';
import { Load } from '../load.ts';

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
    /** What stands in the letter of some of them, by their address. */
    words: z.record(z.email(), z.string().trim().max(2000)).exactOptional(),
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
    /** Whoever answers for the place has to sign; where it is not said, as the templates say. */
    mustSign: z.boolean().exactOptional(),
    /** What it takes of a vehicle. */
    takes: Load.exactOptional(),
  })
  .refine(
    (job) => job.windowFrom === null || job.windowTo === null || job.windowFrom < job.windowTo,
    {
      message: 'The window must end after it begins.',
      path: ['windowTo'],
    },
  );
export type JobDraft = z.infer<typeof JobDraft>;

export const JobOwnDraft = z.object({ own: FactsContent }).strict();

export const VisitPlan = z.object({
  person: Id.nullable(),
  day: Day,
  start: MinuteOfDay,
  minutes: z.int().min(5).max(720),
});
export type VisitPlan = z.infer<typeof VisitPlan>;

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
          /** Another condition, in words; null where there is none. */
          onlyWhere: z.string().nullable().default(null),
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
