import type { Entry } from './entry.ts';
import { byId } from './heads.ts';
import { entryHash } from './hash.ts';

/** A place where a device's entries do not follow on from each other. */
export interface ChainBreak {
  readonly device: string;
  readonly entry: string;
  readonly what: 'missing before' | 'named twice';
}

/**
 * Checks that each device's entries form one chain by `prev`. An entry that was altered or taken
 * out leaves the next one naming a hash that nobody has. Gives an empty list for a whole log.
 */
export function chainBreaks(entries: readonly Entry[]): ChainBreak[] {
  const known = new Set(entries.map(entryHash));
  const named = new Set<string>();
  const breaks: ChainBreak[] = [];
  for (const { device, id, prev } of [...entries].sort(byId)) {
    if (prev === null) continue;
    if (!known.has(prev)) breaks.push({ device, entry: id, what: 'missing before' });
    if (named.has(prev)) breaks.push({ device, entry: id, what: 'named twice' });
    named.add(prev);
  }
  return breaks;
}
