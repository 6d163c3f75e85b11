import { z } from 'zod';
import { Day, Id, Name } from '../common/index.ts';

/** A round as phones keep it: what it is, whose, and its next days. */
export const KeptRound = z.object({
  id: Id,
  name: Name,
  /** How often, in words: what makes them of the rule is not needed on a phone otherwise. */
  says: z.string(),
  person: Id.nullable(),
  days: z.array(Day),
  retired: z.boolean(),
});
export type KeptRound = z.infer<typeof KeptRound>;
