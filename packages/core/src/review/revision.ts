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

/**
 * What makes a report another than the first: approvals before the last whose reports went out, named by their
 * ids. One that was taken back before its report was on its way is none. Null for the first, and where nothing
 * was approved yet.
 */
export function revisionOf(
  entries: readonly Entry[],
  wentOut: ReadonlySet<string>,
): Revision | null {
  const byId = (a: Entry, b: Entry): number => (a.id < b.id ? -1 : 1);
  const approvals = entries.filter(({ kind }) => kind === 'approve').sort(byId);
  const earlier = approvals.slice(0, -1).filter(({ id }) => wentOut.has(id));
  const instead = earlier.at(-1);
  if (!instead) return null;
  const since = entries
    .filter((entry) => entry.path !== STAGE_PATH && !covers(instead, entry))
    .sort(byId);
  return {
    ...{ number: earlier.length + 1, instead },
    changed: [...new Set(since.map(({ path }) => path))],
  };
}
