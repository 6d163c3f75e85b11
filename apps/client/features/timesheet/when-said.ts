import { addDays, fromZone } from '@ant-trail/core/calendar';

/**
 * The instant of a time somebody writes for a day: what lies before the beginning of the shift is of
 * the night after it.
 */
export function instantSaid(
  day: string,
  minute: number,
  timeZone: string,
  began: string | null,
): string {
  const same = fromZone(day, minute, timeZone);
  const isNext = began !== null && same.getTime() < Date.parse(began);
  return (isNext ? fromZone(addDays(day, 1), minute, timeZone) : same).toISOString();
}
