/** A file that is wanted on a phone. */
export interface NeededFile {
  readonly sha256: string;
  /** Its length in bytes. */
  readonly bytes: number;
  /** The first day it is needed on, as RFC 3339; null where somebody asked for it by hand. */
  readonly day: string | null;
}

/** Bytes that documents may take on a phone by themselves. */
export const MOST_KEPT = 200_000_000;
/** Bytes of a file that comes by itself; a larger one waits until somebody asks for it. */
export const LARGEST_KEPT = 40_000_000;

/**
 * Which files a phone keeps, in the order they are fetched: what was asked for by hand, whatever its
 * size, then what is needed soonest, as far as there is room. One that does not fit keeps out none
 * behind it.
 */
export function filesToKeep(needed: readonly NeededFile[]): NeededFile[] {
  const soonest = [...needed].sort(
    (a, b) => compare(a.day ?? '', b.day ?? '') || a.bytes - b.bytes,
  );
  const kept = new Map<string, NeededFile>();
  let taken = 0;
  for (const file of soonest) {
    if (kept.has(file.sha256)) continue;
    const fits = file.bytes <= LARGEST_KEPT && taken + file.bytes <= MOST_KEPT;
    if (file.day !== null && !fits) continue;
    kept.set(file.sha256, file);
    taken += file.bytes;
  }
  return [...kept.values()];
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
