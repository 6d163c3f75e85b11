import { JOB_STATES } from '@ant-trail/core/planning';
import { z } from 'zod';
import { Day, Id, Instant, MinuteOfDay, Name, TimedId, Words } from '../common/index.ts';
import { SheetRef } from '../capture/index.ts';

export const JobState = z.enum(JOB_STATES);

export const JobDraft = z
  .object({
    site: Id,
    template: Id,
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
  })
  .refine(
    (job) => job.windowFrom === null || job.windowTo === null || job.windowFrom < job.windowTo,
    {
      message: 'The window must end after it begins.',
      path: ['windowTo'],
    },
  );
export type JobDraft = z.infer<typeof JobDraft>;

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
  sheet: SheetRef,
});
export type Job = z.infer<typeof Job>;

/** What a phone or the office knows happened at a visit. */
export const VisitEvent = z
  .object({
    id: TimedId,
    visit: Id,
    kind: z.enum(['set off', 'arrived', 'left']),
    by: Id,
    at: Instant,
    /** Where the phone was, when it could tell. */
    fix: z.object({ lat: z.number(), lon: z.number(), accuracy: z.number().min(0) }).nullable(),
    /** From the fix to the site, in metres. */
    distance: z.number().min(0).nullable(),
    /** Why the person was far away. */
    reason: z.string().max(1000).exactOptional(),
  })
  .strict();
export type VisitEvent = z.infer<typeof VisitEvent>;

export const Visit = z.object({
  id: Id,
  job: Id,
  person: Id.nullable(),
  day: Day,
  start: MinuteOfDay,
  minutes: z.int(),
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

/** A job as lists and the day show it, with its visit. */
export const JobCard = z.object({
  job: Job,
  visit: Visit,
  siteName: z.string(),
});
export type JobCard = z.infer<typeof JobCard>;

export const DayAnswer = z.object({ day: Day, cards: z.array(JobCard) });
export const JobsQuery = z.object({ state: JobState.optional() });
export const JobsAnswer = z.object({ cards: z.array(JobCard) });
export const DayQuery = z.object({ day: Day });
