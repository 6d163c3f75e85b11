import { z } from 'zod';
import { Instant, Sha256 } from '../common/index.ts';

export const MediaAsk = z.object({ sha256: z.array(Sha256).max(500) });
/** Which of them the office has, and since when. */
export const MediaReceipts = z.object({
  received: z.array(z.object({ sha256: Sha256, at: Instant })),
});
