import { timeOrderedId } from '@ant-trail/core/log';

const A_DAY_MS = 86_400_000;
const DEVICE_KEY = 'ant-trail.device';

/** This browser's own id, made once. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE_KEY);
  if (known) return known;
  const made = randomId();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}

/** A random UUID; `crypto.randomUUID` is missing on plain HTTP from another machine. */
function randomId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [
    hex.slice(0, 8),
    hex.slice(8, 12),
    hex.slice(12, 16),
    hex.slice(16, 20),
    hex.slice(20),
  ].join('-');
}

const LATEST_KEY = 'ant-trail.latest-id';

/**
 * A new id for something that happens now. Ids of one device always rise, also when its clock was
 * set back in between: what was known of a sheet is told by the last id of each device.
 */
export function newId(): string {
  const latest = Number(localStorage.getItem(LATEST_KEY) ?? 0);
  const now = Date.now();
  // Set back by days: what is said from now on is another device's word, with its own order.
  if (latest > now + A_DAY_MS) localStorage.removeItem(DEVICE_KEY);
  const next = latest > now + A_DAY_MS ? now : Math.max(now, latest + 1);
  localStorage.setItem(LATEST_KEY, String(next));
  return timeOrderedId(next, crypto.getRandomValues(new Uint8Array(16)));
}
