import { timeOrderedId } from '@ant-trail/core/log';

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

let latest = 0;

/** A new id for something that happens now; ids of one device always rise. */
export function newId(): string {
  latest = Math.max(Date.now(), latest + 1);
  return timeOrderedId(latest, crypto.getRandomValues(new Uint8Array(16)));
}
