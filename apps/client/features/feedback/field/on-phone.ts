import type { OnPhone } from '@/device/local-store.ts';

/** What somebody tells the office about the application. */
export const feedbackOnPhone = {
  operations: {
    feedback: {
      // It belongs to no visit, and so to itself.
      place: ({ id }) => id,
      say: ({ words }) => `What you told the office: “${words.slice(0, 60)}”`,
    },
  },
} satisfies OnPhone;
