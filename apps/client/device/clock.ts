import { create } from 'zustand';

const KEPT = 'ant-trail.clock-off';
/** The office tells whole seconds, and an answer takes its time: less than this is no difference. */
const EXACT_MS = 60_000;
/** From so much on people are told: times that are recorded would mislead. */
const FAR_OFF_MS = 5 * 60_000;

const keptOff = (): number => Number(globalThis.localStorage?.getItem(KEPT) ?? 0) || 0;

/** How far the phone's clock is before the office's, in milliseconds. */
export const useClock = create<{ readonly offMs: number }>(() => ({ offMs: keptOff() }));

/** Compares the phone's clock with the office's, by an answer of the office. */
export function noteOfficeTime(response: Response, askedAt: number): void {
  // Only the office's own answers tell its time; a network's page in its place tells another.
  if (response.headers?.get('X-Ant-Trail') !== 'office') return;
  const office = Date.parse(response.headers.get('Date') ?? '');
  if (Number.isNaN(office)) return;
  const here = (askedAt + Date.now()) / 2;
  const off = Math.round(here - office);
  const offMs = Math.abs(off) < EXACT_MS ? 0 : off;
  if (Math.abs(offMs - useClock.getState().offMs) < EXACT_MS) return;
  localStorage.setItem(KEPT, String(offMs));
  useClock.setState({ offMs });
}

/** The time as the office has it, as well as this phone knows: days are told by it. */
export const officeTime = (): Date => new Date(Date.now() - useClock.getState().offMs);

/** How far off the clock is, in words; null where that misleads nobody. */
export function sayClockOff(offMs: number): string | null {
  const minutes = Math.round(Math.abs(offMs) / 60_000);
  if (Math.abs(offMs) < FAR_OFF_MS) return null;
  const [count, unit] =
    minutes < 120
      ? [minutes, 'minute']
      : minutes < 48 * 60
        ? [Math.round(minutes / 60), 'hour']
        : [Math.round(minutes / 1440), 'day'];
  return `${count} ${unit}${count === 1 ? '' : 's'} ${offMs > 0 ? 'ahead' : 'behind'}`;
}
