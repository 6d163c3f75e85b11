import { z } from 'zod';
import { Day, Id, MinuteOfDay } from '../../common/index.ts';

const ids = (most: number) =>
  z
    .string()
    .transform((text) => text.split(',').filter(Boolean))
    .pipe(z.array(Id).max(most));

/** Who suits: for a job that is being made, or for such as are planned already, then also all of them at their own times. */
export const SuitingQuery = z.object({
  site: Id.optional(),
  templates: ids(500).optional(),
  jobs: ids(100).optional(),
  /** Only these people; everybody with a trail where left out. */
  people: ids(100).optional(),
  day: Day.optional(),
  start: z.coerce.number().pipe(MinuteOfDay).optional(),
  minutes: z.coerce.number().int().min(0).max(1440).optional(),
});
export type SuitingQuery = z.infer<typeof SuitingQuery>;

export const Shortfall = z.discriminatedUnion('code', [
  z.object({ code: z.literal('no credential'), name: z.string() }),
  z.object({ code: z.literal('credential expired'), name: z.string(), on: Day }),
  z.object({ code: z.literal('no skill'), name: z.string() }),
  z.object({ code: z.literal('absent'), from: Day, to: Day, why: z.string() }),
  z.object({
    code: z.literal('outside hours'),
    hours: z.array(z.object({ from: MinuteOfDay, to: MinuteOfDay })).readonly(),
  }),
]);
export type Shortfall = z.infer<typeof Shortfall>;

/** What speaks against each person, once for each thing; nothing where they suit. */
export const SuitingAnswer = z.object({
  people: z.array(z.object({ id: Id, lacks: z.array(Shortfall) })),
});
export type SuitingAnswer = z.infer<typeof SuitingAnswer>;
