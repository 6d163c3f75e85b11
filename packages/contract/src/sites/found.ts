import { z } from 'zod';
import { Id, Instant, Name, Place, TimedId } from '../common/index.ts';

/** A place the office did not know of, told from the field by whoever is there. Its id is that of the place. */
export const FoundPlace = Place.extend({
  id: TimedId,
  name: Name,
  /** How it is found again. */
  address: z.string().trim().max(400),
  /** Whether the phone itself said where it is; else it is where somebody was last. */
  sure: z.boolean(),
  by: Id,
  at: Instant,
}).strict();
export type FoundPlace = z.infer<typeof FoundPlace>;

/** By whom it was told, as long as the office has not looked at it. */
export const Found = FoundPlace.pick({ sure: true, by: true, at: true }).strip();

/** It is a place the office has had all along. */
export const SamePlace = z.object({ site: Id }).strict();
