import { z } from 'zod';
import { Id, Instant, TimedId } from '../common/index.ts';

/** Whom a word goes to: one of the contacts of the place, as the phone has them. */
const Addressee = z
  .object({ name: z.string().max(200), phone: z.string().max(60), email: z.string().max(200) })
  .strict();

/** Whoever is at a place is told that somebody is on the way. */
export const OnTheWay = z
  .object({
    id: TimedId,
    visit: Id,
    to: Addressee,
    /** How long it takes from now on, as the phone estimates it. */
    minutes: z.int().min(0).max(720),
    by: Id,
    at: Instant,
  })
  .strict();
export type OnTheWay = z.infer<typeof OnTheWay>;

/** What became of it; one that would come after its own hour is not sent. */
export const TOLD_OUTCOMES = ['waiting', 'sent', 'too late'] as const;

export const Told = z.object({
  id: Id,
  visit: Id,
  /** The name of whoever is told. */
  to: z.string(),
  at: Instant,
  /** When somebody expects to be there. */
  there: Instant,
  outcome: z.enum(TOLD_OUTCOMES),
});
export type Told = z.infer<typeof Told>;
