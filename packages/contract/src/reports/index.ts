import { z } from 'zod';
import { Id, Instant, listOf } from '../common/index.ts';

/** What a person asked for: the newest report of this sheet, made anew. */
export const ReportRef = z.object({ sheet: Id });

export const MailMessage = z.object({
  id: Id,
  to: z.array(z.string()),
  from: z.string(),
  subject: z.string(),
  text: z.string(),
  receivedAt: Instant,
  attachments: z.array(
    z.object({
      index: z.int(),
      name: z.string(),
      type: z.string(),
      bytes: z.int(),
    }),
  ),
});
export type MailMessage = z.infer<typeof MailMessage>;
export const MailAnswer = listOf(MailMessage);

/** A report of an approved sheet that could not be made or sent, and why. */
export const TroubledReport = z.object({
  sheet: Id,
  title: z.string(),
  site: z.string(),
  trouble: z.string(),
  approvedAt: Instant,
});
export type TroubledReport = z.infer<typeof TroubledReport>;
export const TroubledAnswer = z.object({ reports: z.array(TroubledReport) });
