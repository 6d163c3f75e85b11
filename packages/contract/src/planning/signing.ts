import { z } from 'zod';
import { SignatureAnswer } from '../capture/index.ts';
import { Id, Instant, TimedId } from '../common/index.ts';

const Role = z.string().trim().max(200);

/** Somebody who answers for a place signs for a job, on a phone that is there. */
export const SignedOnSite = z
  .object({
    id: TimedId,
    job: Id,
    visit: Id,
    /** What they are at the place, such as “warden”. */
    role: Role,
    signature: SignatureAnswer,
    by: Id,
    at: Instant,
  })
  .strict();
export type SignedOnSite = z.infer<typeof SignedOnSite>;

/** What is known of who signs for a job. */
export const Signing = z.object({
  /** It can't be finished without. */
  asked: z.boolean(),
  /** The office does without it after all. */
  waived: z.object({ reason: z.string(), by: Id, at: Instant }).nullable(),
  /** The last one who signed. */
  signed: SignedOnSite.pick({ id: true, role: true, signature: true, by: true, at: true })
    .strip()
    .nullable(),
});
export type Signing = z.infer<typeof Signing>;

/** Asked for, and nobody has signed yet. */
export const UNSIGNED: Signing = { asked: true, waived: null, signed: null };
