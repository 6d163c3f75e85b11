import { v7, validate, version } from 'uuid';

/**
 * A UUIDv7 (RFC 9562, section 5.7). The caller brings the clock and the chance, since the core has
 * neither: `msecs` since 1970 UTC, and 16 random bytes.
 */
export function timeOrderedId(msecs: number, random: Uint8Array): string {
  return v7({ msecs, random });
}

/** The instant inside a UUIDv7, in milliseconds since 1970 UTC; null for any other id. */
export function instantOf(id: string): number | null {
  if (!validate(id) || version(id) !== 7) return null;
  return Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16);
}
