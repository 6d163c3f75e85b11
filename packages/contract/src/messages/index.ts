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

const MessageText = z
  .string()
  .trim()
  .min(1, 'Write something.')
  .max(1000, 'Shorter: at most 1,000 letters.');

/** A short message between the office and somebody on a trail. */
export const MessageSaid = z
  .object({
    id: TimedId,
    /** Whose trail it is about: they write it, or it is written to them. */
    person: Id,
    /** The stop it is about; null for none. */
    visit: Id.nullable(),
    text: MessageText,
    by: Id,
    at: Instant,
  })
  .strict();
export type MessageSaid = z.infer<typeof MessageSaid>;

/** That a message was read on the phone of whoever it was written to. */
export const MessageSeen = z.object({ id: TimedId, message: Id, by: Id, at: Instant }).strict();
export type MessageSeen = z.infer<typeof MessageSeen>;

export const Message = z.object({
  id: Id,
  person: Id,
  visit: Id.nullable(),
  /** The place of the stop it is about. */
  siteName: z.string().nullable(),
  text: z.string(),
  by: Id,
  at: Instant,
  /** When the other side first read it; null while nobody has. */
  seenAt: Instant.nullable(),
});
export type Message = z.infer<typeof Message>;

export const MessageThreads = z.object({
  threads: z.array(
    z.object({
      person: Id,
      name: z.string(),
      last: Message,
      /** How many of theirs nobody at the office has read. */
      unseen: z.int(),
    }),
  ),
});
export const MessagesAnswer = z.object({ messages: z.array(Message) });
export const MessagesRead = z.object({ person: Id }).strict();
export const MessagesSeen = z.object({ seen: z.int() });
