import { z } from 'zod';
import { Id, Instant, TimedId } from '../common/index.ts';

/** A place or a sheet that somebody wants first where they begin work by themselves, or no longer. */
export const FavouriteSaid = z
  .object({
    id: TimedId,
    of: z.enum(['place', 'sheet']),
    /** The place, or the template. */
    ref: Id,
    on: z.boolean(),
    by: Id,
    at: Instant,
  })
  .strict();
export type FavouriteSaid = z.infer<typeof FavouriteSaid>;

/** The last word on one. Its id is that of the place or the template. */
export const Favourite = FavouriteSaid.pick({ of: true, on: true })
  .strip()
  .extend({ id: Id, said: TimedId });
export type Favourite = z.infer<typeof Favourite>;
