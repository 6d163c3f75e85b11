import { z } from 'zod';
import { Id, Instant, TimedId } from '../common/index.ts';

/** Seven digits and the one that checks them. */
export const TagNumber = z.string().regex(/^\d{8}$/, 'A label’s number has eight digits.');

/** A label with a code: what it is on, and since when. */
export const Tag = z.object({
  id: Id,
  number: TagNumber,
  /** The thing or area it is on; null for one that is still loose. */
  asset: Id.nullable(),
  boundAt: Instant.nullable(),
});
export type Tag = z.infer<typeof Tag>;
export const TagsAnswer = z.object({ tags: z.array(Tag) });

/** A label put on a thing, from a phone or at the desk. */
export const BoundTag = z
  .object({
    id: TimedId,
    /** What stands in its code. */
    tag: Id,
    asset: Id,
    /** The thing it was on, as far as whoever binds it knew and was asked; null for a loose one. */
    from: Id.nullable(),
    /** The label that thing had before, which is thrown away, as far as they knew and were asked. */
    instead: Id.nullable(),
    by: Id,
    at: Instant,
  })
  .strict();
export type BoundTag = z.infer<typeof BoundTag>;
