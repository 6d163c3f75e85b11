import type { OnPhone } from '@/device/local-store.ts';

/** Where words to the office and their pictures stand among what is sent: at no visit. */
export const TO_THE_OFFICE = 'to the office';

/** What somebody tells the office about the application. */
export const feedbackOnPhone = {
  operations: {
    feedback: {
      place: () => TO_THE_OFFICE,
      say: ({ words }) => `What you told the office: “${words.slice(0, 60)}”`,
    },
  },
  // Nobody looks at them here again.
  clearAway: async (store) => {
    await store.photos
      .where('sheet')
      .equals(TO_THE_OFFICE)
      .filter(({ receivedAt }) => receivedAt !== null)
      .delete();
  },
} satisfies OnPhone;
