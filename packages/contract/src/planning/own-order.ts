import { z } from 'zod';
import { Day, Id, Instant, MinuteOfDay, TimedId } from '../common/index.ts';

/** So many stops of one person’s day can change their hours at once. */
export const MOST_IN_OWN_ORDER = 60;

/** Somebody puts their own stops of a day in another order. */
export const OwnOrder = z
  .object({
    id: TimedId,
    day: Day,
    /** When each was to begin, and begins now. */
    stops: z
      .array(z.object({ visit: Id, was: MinuteOfDay, start: MinuteOfDay }).strict())
      .min(1, 'At least one stop.')
      .max(MOST_IN_OWN_ORDER, `At most ${MOST_IN_OWN_ORDER} stops.`),
    by: Id,
    at: Instant,
  })
  .strict()
  .refine(({ stops }) => new Set(stops.map(({ visit }) => visit)).size === stops.length, {
    message: 'Each stop once.',
    path: ['stops'],
  });
export type OwnOrder = z.infer<typeof OwnOrder>;
