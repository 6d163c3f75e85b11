import { z } from 'zod';
import { Day, Id, MinuteOfDay, Name, Words } from '../../common/index.ts';

/** At so many places and things jobs are made in one go. */
export const MOST_AT_ONCE = 200;

/** The same work at many places, or at many things: one job at each place, with a sheet for each thing. */
export const ManyJobs = z
  .object({
    at: z
      .array(z.object({ site: Id, asset: Id.nullable() }).strict())
      .min(1, 'Choose where.')
      .max(MOST_AT_ONCE, `At most ${MOST_AT_ONCE} at once.`),
    template: Id,
    title: Name,
    instructions: Words,
    day: Day,
    /** When the first begins; for one person the others follow, with the ways between. */
    start: MinuteOfDay,
    /** For each place or thing. */
    minutes: z.int().min(5, 'At least 5 minutes.').max(720, 'At most 12 hours.'),
    person: Id.nullable(),
  })
  .strict();
export type ManyJobs = z.infer<typeof ManyJobs>;
export const ManyJobsMade = z.object({ jobs: z.int() });
