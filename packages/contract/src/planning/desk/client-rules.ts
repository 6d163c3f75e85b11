import { z } from 'zod';
import { Id } from '../../common/index.ts';
import { FollowUp } from '../../templates/index.ts';

/** What follows the sheets of one template at a client's places. */
export const ClientRule = z
  .object({
    template: Id,
    /** Null where nothing follows, whatever the template says. */
    /** A client’s rule knows no sheet, so it depends on no answer. */
    followUp: FollowUp.omit({ only: true }).strict().nullable(),
  })
  .strict();
export type ClientRule = z.infer<typeof ClientRule>;

/** A client's own rules: each stands above that of its template. */
export const ClientRules = z
  .object({ rules: z.array(ClientRule).max(200, 'At most 200 rules.') })
  .strict()
  .refine(({ rules }) => new Set(rules.map(({ template }) => template)).size === rules.length, {
    message: 'One rule for each sheet.',
    path: ['rules'],
  });
export type ClientRules = z.infer<typeof ClientRules>;
