import { z } from 'zod';
import { Id, Instant, ListQuery, listOf, Sha256, TimedId } from '../common/index.ts';

/** What somebody tells their office about the application, with a picture of the screen it is about. */
export const Feedback = z
  .object({
    id: TimedId,
    words: z.string().trim().min(1, 'Say what is wrong, or what would help.').max(4000),
    picture: Sha256.nullable(),
    /** What the screen is called. */
    screen: z.string().max(200),
    /** Of the application, and what it ran on. */
    version: z.string().max(40),
    device: z.string().max(300),
    by: Id,
    at: Instant,
  })
  .strict();
export type Feedback = z.infer<typeof Feedback>;

export const FeedbackAnswer = listOf(Feedback.strip());
export const FeedbackQuery = ListQuery.extend({ order: z.enum(['-at']).default('-at') });
