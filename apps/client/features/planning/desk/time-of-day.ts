import { sayMinute } from '@ant-trail/core/calendar';

/** Minutes since midnight from "08:40"; null when it is no time. */
export function readMinute(text: string): number | null {
  const match = /^([01]\d|2[0-3]):([0-5]\d)$/.exec(text);
  return match ? Number(match[1]) * 60 + Number(match[2]) : null;
}

export const writeMinute = (minute: number | null): string =>
  minute === null ? '' : sayMinute(minute);
