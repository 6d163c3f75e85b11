import { CLOCK_STEPS } from '@ant-trail/core/timesheet';
import { z } from 'zod';
import { Day, Id, Instant, ListQuery, listOf, TimedId } from '../common/index.ts';

/** Why what was said of one's time is other now. */
export const TimeReason = z
  .string()
  .trim()
  .min(1, 'Say why: whoever approves the hours has to know.')
  .max(500, 'Shorter: at most 500 letters.');

/** What somebody says of a working day, or puts right of what was said. */
export const ClockSaid = z
  .object({
    id: TimedId,
    /** Whose day it is. */
    person: Id,
    /** The day the work began. */
    day: Day,
    /** Null strikes out what it stands in place of. */
    step: z.enum(CLOCK_STEPS).nullable(),
    at: Instant,
    insteadOf: Id.nullable(),
    /** Why it is put right, or said afterwards; null for what was said as it happened. */
    reason: TimeReason.nullable(),
    by: Id,
    /** When it was said. */
    saidAt: Instant,
  })
  .strict()
  .refine(({ step, insteadOf }) => step !== null || insteadOf !== null, {
    message: 'What is struck out has to be named.',
    path: ['insteadOf'],
  })
  .refine(({ insteadOf, reason }) => insteadOf === null || reason !== null, {
    message: 'Say why it is put right.',
    path: ['reason'],
  });
export type ClockSaid = z.infer<typeof ClockSaid>;

const LONGEST_MS = 24 * 3_600_000;

/** Somebody's time at a visit, put right. */
export const SiteTimeSaid = z
  .object({
    ...{ id: TimedId, visit: Id, from: Instant, to: Instant, reason: TimeReason },
    ...{ by: Id, saidAt: Instant },
  })
  .strict()
  .refine(({ from, to }) => Date.parse(from) < Date.parse(to), {
    message: 'It ends after it begins.',
    path: ['to'],
  })
  .refine(({ from, to }) => Date.parse(to) - Date.parse(from) <= LONGEST_MS, {
    message: 'At most 24 hours at one visit.',
    path: ['to'],
  });
export type SiteTimeSaid = z.infer<typeof SiteTimeSaid>;

/** What phones ask for of their person's own days. */
export const OwnClockQuery = z.object({ from: Day });
export const OwnClock = z.object({
  entries: z.array(ClockSaid),
  siteTimes: z.array(SiteTimeSaid),
  /** Mondays of weeks that are approved. */
  approved: z.array(Day),
});

/** A day of somebody, in minutes. */
export const DayHours = z.object({
  day: Day,
  began: Instant.nullable(),
  ended: Instant.nullable(),
  worked: z.int(),
  breaks: z.int(),
  onSite: z.int(),
  onWay: z.int(),
  visits: z.int(),
  /** It goes on, or nobody said that it ended. */
  isOpen: z.boolean(),
  /** It must long be over: its end was forgotten, and nothing counts until it is said. */
  isForgotten: z.boolean(),
  /** Something of it can't have happened as it was said. */
  isOdd: z.boolean(),
  corrected: z.boolean(),
});
export type DayHours = z.infer<typeof DayHours>;

export const PersonHours = z.object({
  person: Id,
  name: z.string(),
  days: z.array(DayHours),
  worked: z.int(),
  /** Tells whether anything is other than when it was looked at. */
  mark: z.string(),
  approved: z
    .object({ by: Id, at: Instant, minutes: z.int(), changedSince: z.boolean() })
    .nullable(),
});
export type PersonHours = z.infer<typeof PersonHours>;

export const HoursQuery = z.object({ monday: Day });
export const HoursAnswer = z.object({ monday: Day, people: z.array(PersonHours) });

export const DayOfPerson = z.object({
  entries: z.array(ClockSaid),
  visits: z.array(
    z.object({
      visit: Id,
      siteName: z.string(),
      title: z.string(),
      from: Instant.nullable(),
      to: Instant.nullable(),
      onWay: z.int(),
      onSite: z.int(),
      /** Why it was put right last. */
      reason: z.string().nullable(),
    }),
  ),
});
export type DayOfPerson = z.infer<typeof DayOfPerson>;

export const HoursApproval = z
  .object({ person: Id, monday: Day, mark: z.string().max(64) })
  .strict();
export const ApprovalTaken = z.object({ person: Id, monday: Day }).strict();

/** Days of people as a table, from one day to another. */
export const HoursTableQuery = ListQuery.extend({ from: Day, to: Day });
export const HoursTable = listOf(DayHours.extend({ person: z.string(), approved: z.boolean() }));
