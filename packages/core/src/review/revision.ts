import { covers, STAGE_PATH, type Entry } from '../log/index.ts';

/** A report that takes the place of one that went out before. */
export interface Revision {
  /** 2 for the second. */
  readonly number: number;
  /** The approval whose report it replaces. */
  readonly instead: Entry;
  /** Paths of what was said since then, each once, in the order it was. */
  readonly changed: readonly string[];
}

/** What makes a report another than the first; null for the first, and where nothing was approved yet. */
export function revisionOf(entries: readonly Entry[]): Revision | null {
  const approvals = entries
    .filter(({ kind }) => kind === 'approve')
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const instead = approvals.at(-2);
  if (!instead) return null;
  const since = entries
    .filter((entry) => entry.path !== STAGE_PATH && !covers(instead, entry))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    ...{ number: approvals.length, instead },
    changed: [...new Set(since.map(({ path }) => path))],
  };
}
