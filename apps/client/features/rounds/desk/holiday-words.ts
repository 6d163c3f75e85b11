import type { OnHolidays } from '@ant-trail/core/rounds';

/** What becomes of a round on a holiday, in words. */
export const HOLIDAY_WORDS: Readonly<Record<OnHolidays, string>> = {
  'as ever': 'walked as ever',
  'left out': 'left out',
  'the working day after': 'the working day after',
  'the working day before': 'the working day before',
};
