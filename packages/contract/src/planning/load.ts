import { z } from 'zod';
import { Name } from '../common/index.ts';

/** How much of each measure of a vehicle a job takes, by what is measured: “boxes”, “kg”. */
export const Load = z
  .array(z.object({ what: Name, much: z.number().min(0).max(1_000_000) }).strict())
  .max(12)
  .refine(
    (all) => new Set(all.map(({ what }) => what.toLowerCase())).size === all.length,
    'Each measure once.',
  );
export type Load = z.infer<typeof Load>;
