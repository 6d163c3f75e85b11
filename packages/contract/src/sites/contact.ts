import { z } from 'zod';
import { Name } from '../common/index.ts';

/** A person to call or write to. */
export const Contact = z.object({
  name: Name,
  role: z.string().trim().max(80),
  phone: z.string().trim().max(40),
  email: z.union([z.literal(''), z.email('This is not an e-mail address.')]),
});
export type Contact = z.infer<typeof Contact>;
