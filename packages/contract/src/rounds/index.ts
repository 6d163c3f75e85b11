import { ON_HOLIDAYS, problemWithRule, WALK_STANDINGS } from '@ant-trail/core/rounds';
import { z } from 'zod';
import { Day, Id, ListQuery, listOf, MinuteOfDay, Name, Words } from '../common/index.ts';
import { JobState } from '../planning/index.ts';

export { KeptRound } from './kept.ts';

/** So many stops a round may have. */
export const MOST_STOPS = 300;
const MOST_EXCEPTIONS = 400;

/** A stop of a round: a place, or a thing or an area at it, with what is filled in there. */
export const RoundStop = z
  .object({
    site: Id,
    asset: Id.nullable(),
    template: Id,
    minutes: z.int().min(1, 'At least a minute.').max(720, 'At most 12 hours.'),
  })
  .strict();
export type RoundStop = z.infer<typeof RoundStop>;

/** When a round is due: a rule of RFC 5545 that makes days, and what differs from it. */
const rhythm = {
  rule: z.string().superRefine((rule, check) => {
    const problem = problemWithRule(rule);
    if (problem) check.addIssue({ code: 'custom', message: problem });
  }),
  begins: Day,
  without: z.array(Day).max(MOST_EXCEPTIONS),
  besides: z.array(Day).max(MOST_EXCEPTIONS),
  onHolidays: z.enum(ON_HOLIDAYS),
};

const content = {
  ...rhythm,
  name: Name,
  /** When the first stop begins. */
  start: MinuteOfDay,
  person: Id.nullable(),
  instructions: Words,
  recipients: z.array(z.email('This is not an e-mail address.')).max(10),
  /** Who is to read what comes back; null for whoever comes to it. */
  reader: Id.nullable(),
  stops: z.array(RoundStop).min(1, 'A round needs a stop.').max(MOST_STOPS),
};
export const RoundDraft = z.object(content).strict();
export type RoundDraft = z.infer<typeof RoundDraft>;

/** A round as it is changed: by whoever has seen the edition before. */
export const RoundChange = z.object({ ...content, after: z.int() }).strict();
export type RoundChange = z.infer<typeof RoundChange>;

export const RoundDay = z.object({ due: Day, day: Day });
export type RoundDay = z.infer<typeof RoundDay>;

export const Round = z.object({
  ...content,
  id: Id,
  branch: Id,
  edition: z.int(),
  retired: z.boolean(),
  /** The days ahead. */
  next: z.array(RoundDay),
  /** What holds it up, in words; null for nothing. */
  trouble: z.string().nullable(),
});
export type Round = z.infer<typeof Round>;

export const WalkStanding = z.enum(WALK_STANDINGS);

/** One walk of a round: what was made of it on a day, and what has come of that. */
export const RoundWalk = z.object({
  id: Id,
  due: Day,
  day: Day,
  standing: WalkStanding,
  /** Stops that could not be planned, and why. */
  troubles: z.array(z.string()),
  jobs: z.array(
    z.object({
      ...{ id: Id, siteName: z.string(), state: JobState, person: Id.nullable() },
      /** Stops of it that somebody went past. */
      leftOut: z.int(),
    }),
  ),
});
export type RoundWalk = z.infer<typeof RoundWalk>;

/** A round as lists show it. */
export const RoundLine = z.object({
  id: Id,
  name: Name,
  rule: z.string(),
  person: Id.nullable(),
  stops: z.int(),
  retired: z.boolean(),
  next: RoundDay.nullable(),
  last: z.object({ day: Day, standing: WalkStanding }).nullable(),
  trouble: z.string().nullable(),
});
export type RoundLine = z.infer<typeof RoundLine>;

export const ROUND_ORDERS = ['name', '-name'] as const;
export const RoundsQuery = ListQuery.extend({
  person: z.union([z.literal('nobody'), Id]).optional(),
  retired: z.enum(['no', 'yes']).default('no'),
  order: z.enum(ROUND_ORDERS).default('name'),
});
export type RoundsQuery = z.infer<typeof RoundsQuery>;
export const RoundsAnswer = listOf(RoundLine);

export const RoundDetails = z.object({
  round: Round,
  /** The newest first. */
  walks: z.array(RoundWalk),
  /** Whether there are older ones than these. */
  older: z.boolean(),
});
export type RoundDetails = z.infer<typeof RoundDetails>;

/** A rhythm somebody thinks of: its next days are asked for. */
const days = z
  .string()
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(z.array(Day).max(MOST_EXCEPTIONS))
  .default([]);
export const RhythmAsk = z.object({ ...rhythm, without: days, besides: days, from: Day });
export const RhythmAnswer = z.object({ days: z.array(RoundDay) });

export const RoundRetirement = z.object({ retired: z.boolean() }).strict();

/** Days on which a round may be left out or moved. */
export const Holiday = z.object({ day: Day, name: Name }).strict();
export type Holiday = z.infer<typeof Holiday>;
export const MOST_HOLIDAYS = 1_000;
export const Holidays = z.object({ holidays: z.array(Holiday).max(MOST_HOLIDAYS) }).strict();
export type Holidays = z.infer<typeof Holidays>;
