import { z } from 'zod';
import { Id, Instant, TimedId } from '../common/index.ts';

export const SealedWords = z.object({ iv: z.string().max(40), body: z.string().max(12_000) });

/** What may be known of a place only by whoever is there, as a phone keeps it: nothing of it can be read. */
export const ArrivalSeal = z.object({
  /** Id of the place. */
  id: Id,
  /** Id of the code that hangs there; another one does not open it. */
  code: Id,
  /** Rises with every change. */
  version: z.int().min(1),
  /** The words, sealed with a key of their own. */
  words: SealedWords,
  /** That key, sealed with the one in the code. */
  key: SealedWords,
  /** There is nothing any more: phones let go of it. Servers of before do not say. */
  withdrawn: z.boolean().default(false),
});
export type ArrivalSeal = z.infer<typeof ArrivalSeal>;

/** How somebody came to read them. */
export const OPENED_BY = ['code', 'position', 'number', 'reason', 'office'] as const;

/** They were opened on a phone by the place's code, perhaps with no network. */
export const ArrivalOpened = z
  .object({ id: TimedId, site: Id, visit: Id, version: z.int().min(1), by: Id, at: Instant })
  .strict();
export type ArrivalOpened = z.infer<typeof ArrivalOpened>;

/** Without the code the office opens them, and sees why: where the phone is, or what its bearer says. */
export const OpeningAsked = z
  .object({
    fix: z
      .object({
        lat: z.number().min(-90).max(90),
        lon: z.number().min(-180).max(180),
        accuracy: z.number().min(0),
      })
      .strict()
      .nullable(),
    reason: z.string().trim().max(1000),
  })
  .strict();
export type OpeningAsked = z.infer<typeof OpeningAsked>;
export const ArrivalWords = z.object({ words: z.string() });

export const MOST_WORDS = 4_000;
export const ArrivalDraft = z
  .object({
    words: z
      .string()
      .trim()
      .min(1, 'Write what they should know.')
      .max(MOST_WORDS, 'At most 4,000 letters.'),
    /** The version it was written over; 0 for the first. */
    after: z.int().min(0),
  })
  .strict();
export type ArrivalDraft = z.infer<typeof ArrivalDraft>;
/** They are taken off as they were read: not over what somebody else wrote meanwhile. */
export const ArrivalRemoval = ArrivalDraft.pick({ after: true }).strict();

export const Opening = z.object({
  id: Id,
  by: Id,
  at: Instant,
  how: z.enum(OPENED_BY),
  reason: z.string(),
});
export type Opening = z.infer<typeof Opening>;

/** What the desk shows of them, without the words: whether there are any, and who read them. */
export const ArrivalState = z.object({
  /** How often they were written or taken off; 0 where there never were any. */
  version: z.int(),
  isThere: z.boolean(),
  openings: z.array(Opening),
});
export type ArrivalState = z.infer<typeof ArrivalState>;

/** Openings that call for a look: today's, without the code. */
export const RecentOpenings = z.object({
  openings: z.array(Opening.extend({ site: Id, siteName: z.string() })),
});
