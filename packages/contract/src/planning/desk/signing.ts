import { z } from 'zod';

/** The office asks for a signature, or does without one, saying why. */
export const SigningDraft = z
  .object({
    asked: z.boolean(),
    reason: z.string().trim().max(1000, 'Shorter: at most 1,000 letters.'),
  })
  .strict()
  .refine(({ asked, reason }) => asked || reason.length > 0, {
    message: 'Say why it goes without.',
    path: ['reason'],
  });
export type SigningDraft = z.infer<typeof SigningDraft>;
