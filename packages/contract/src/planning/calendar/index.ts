import { z } from 'zod';
import { Instant } from '../../common/index.ts';

/** Whether somebody's visits can be read by a calendar program, and since when. */
export const CalendarLink = z.object({ since: Instant.nullable() });
export type CalendarLink = z.infer<typeof CalendarLink>;

/** A new link: it is told once, and the one before leads nowhere any more. */
export const CalendarLinkMade = z.object({ since: Instant, path: z.string() });
export type CalendarLinkMade = z.infer<typeof CalendarLinkMade>;
