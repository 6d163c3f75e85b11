import { inZone, sayMinute } from '@ant-trail/core/calendar';
import type { ClockStep } from '@ant-trail/core/timesheet';

/** What was said, as it stands in a list. */
export const CLOCK_WORDS: Readonly<Record<ClockStep, string>> = {
  began: 'day begun',
  break: 'break begun',
  back: 'break over',
  ended: 'day ended',
};

/** What is pressed to say it. */
export const CLOCK_PRESSES: Readonly<Record<ClockStep, string>> = {
  began: 'Begin the day',
  break: 'Break',
  back: 'Go on',
  ended: 'End the day',
};

export const sayClock = (at: string, timeZone: string): string =>
  sayMinute(inZone(new Date(at), timeZone).minute);

/** “7 h 05 min”; “0 min” for none. */
export function sayHours(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')} min`;
}
