import canonicalize from 'canonicalize';
import type { Entry } from './entry.ts';

/** The entries of one path, in a stable order, with those that no other entry has seen. */
export interface PathLog {
  readonly entries: readonly Entry[];
  readonly heads: readonly Entry[];
}

export const EMPTY_PATH_LOG: PathLog = { entries: [], heads: [] };

/** UUIDv7 ids sort by time; ids are unique, so this order is total. */
export const byId = (a: { id: string }, b: { id: string }): number =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/**
 * Adds entries to a path's log by set union: order, repetition and batching do not matter.
 * Returns the same object when nothing was new.
 */
export function mergePath(log: PathLog, added: readonly Entry[]): PathLog {
  const [only, ...more] = added;
  const appended = only && more.length === 0 ? append(log, only) : null;
  if (appended) return appended;
  const known = new Map(log.entries.map((entry) => [entry.id, entry]));
  const before = known.size;
  for (const entry of added) if (!known.has(entry.id)) known.set(entry.id, entry);
  if (known.size === before) return log;
  const entries = [...known.values()].sort(byId);
  const seen = new Set(entries.flatMap((entry) => entry.seen));
  return { entries, heads: entries.filter((entry) => !seen.has(entry.id)) };
}

/** One entry at the end of a log, as answers come in; null where more has to be looked at. */
function append({ entries, heads }: PathLog, entry: Entry): PathLog | null {
  const last = entries.at(-1);
  if (last && last.id >= entry.id) return null;
  // By a clock that is off, an older id may have seen a newer one.
  if (entries.some(({ seen }) => seen.includes(entry.id))) return null;
  return {
    entries: [...entries, entry],
    heads: [...heads.filter(({ id }) => !entry.seen.includes(id)), entry],
  };
}

/** Two heads say the same when kind of effect, value and unit are equal. */
export function saysTheSame(a: Entry, b: Entry): boolean {
  return fingerprint(a) === fingerprint(b);
}

function fingerprint(entry: Entry): string {
  const effect = entry.kind === 'correct' ? 'answer' : entry.kind;
  return canonicalize([effect, entry.value, entry.unit ?? null]) ?? '';
}

/** The heads that say different things, one for each thing said; fewer than two: no disagreement. */
export function differingHeads(log: PathLog): readonly Entry[] {
  if (log.heads.length < 2) return log.heads;
  const said = new Map<string, Entry>();
  for (const head of log.heads) said.set(fingerprint(head), head);
  return [...said.values()].sort(byId);
}
