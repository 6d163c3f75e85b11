import { JOB_STATES, PARTS, VISIT_STEPS } from '@ant-trail/core/planning';
import { z } from 'zod';
import { Day, Id, Instant, MinuteOfDay } from '../../common/index.ts';
import { Load } from '../load.ts';

/** So many days are asked for at once, and so many visits are shown of them. */
export const MOST_DAYS = 42;
export const MOST_STOPS = 10_000;

/** A visit as the board shows it: of its job no more than is seen. */
export const BoardStop = z.object({
  job: z.object({
    id: Id,
    title: z.string(),
    state: z.enum(JOB_STATES),
    windowFrom: MinuteOfDay.nullable(),
    windowTo: MinuteOfDay.nullable(),
    /** What it takes of a vehicle. */
    takes: Load,
    /** The name of the round it belongs to. */
    round: z.string().nullable(),
  }),
  visit: z.object({
    id: Id,
    job: Id,
    person: Id.nullable(),
    day: Day,
    start: MinuteOfDay,
    minutes: z.int(),
    part: z.enum(PARTS),
    events: z.array(z.object({ id: z.string(), kind: z.enum(VISIT_STEPS), at: Instant })),
  }),
  site: Id,
  siteName: z.string(),
  /** Where it lies; null where that is not asked for. */
  at: z.object({ lat: z.number(), lon: z.number() }).nullable(),
});
export type BoardStop = z.infer<typeof BoardStop>;

export const BoardQuery = z.object({
  from: Day,
  days: z.coerce.number().int().min(1).max(7).default(1),
});
export const BoardAnswer = z.object({ from: Day, days: z.int(), stops: z.array(BoardStop) });

/** When people are there, for all who have a trail. */
export const BoardPeople = z.object({
  people: z.array(
    z.object({
      id: Id,
      hours: z.array(z.object({ weekday: z.int(), from: z.int(), to: z.int() })),
      absences: z.array(z.object({ from: Day, to: Day, why: z.string() })),
      /** What their vehicle holds. */
      holds: Load,
    }),
  ),
});

/**
 * Minutes from place to place along the ways of the map, row by row; null where that was not looked
 * for: of many places only the ways that are planned.
 */
export const BoardWays = z.object({
  sites: z.array(Id),
  minutes: z.array(z.number().nullable()),
});
export type BoardWays = z.infer<typeof BoardWays>;

export const CalendarQuery = z.object({
  from: Day,
  days: z.coerce.number().int().min(1).max(MOST_DAYS),
});
/** What each day comes to; days with nothing are left out. */
export const CalendarAnswer = z.object({
  days: z.array(
    z.object({
      day: Day,
      stops: z.int(),
      /** Of jobs that are with the reader, or approved. */
      done: z.int(),
      withoutPerson: z.int(),
      people: z.int(),
      minutes: z.int(),
    }),
  ),
});
export type CalendarDay = z.infer<typeof CalendarAnswer>['days'][number];

/** Who else plans just now, and which day they look at. */
export const PlannersAnswer = z.object({ planners: z.array(z.object({ person: Id, day: Day })) });
export const PlannerHere = z.object({ day: Day.nullable() }).strict();
