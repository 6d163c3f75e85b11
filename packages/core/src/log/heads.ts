import canonicalize from 'canonicalize';
import { takesAway, type Entry } from './entry.ts';

/** The entries of one path, in a stable order, with those that no other entry has seen. */
export interface PathLog {
  readonly entries: readonly Entry[];
  readonly heads: readonly Entry[];
  /** Whether some entry names one that is newer by its id. */
  readonly backwards?: boolean;
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
  if (added.length <= FEW) return added.reduce(insert, log);
  const known = new Map(log.entries.map((entry) => [entry.id, entry]));
  const before = known.size;
  for (const entry of added) if (!known.has(entry.id)) known.set(entry.id, entry);
  if (known.size === before) return log;
  return fromEntries([...known.values()].sort(byId));
}

/** So few are put in one by one; more are sorted in together. */
const FEW = 4;

function insert(log: PathLog, entry: Entry): PathLog {
  const at = placeOf(log.entries, entry.id);
  if (log.entries[at]?.id === entry.id) return log;
  const entries = [...log.entries.slice(0, at), entry, ...log.entries.slice(at)];
  if (log.backwards || seesBackwards(entry)) return fromEntries(entries);
  const heads = log.heads.filter(({ id }) => !entry.seen.includes(id));
  // What came before it may have been seen by it only now, and it by what came after.
  if (!log.entries.some(({ seen }) => seen.includes(entry.id)))
    heads.splice(placeOf(heads, entry.id), 0, entry);
  return { entries, heads };
}

/** Where an id stands, or would stand, among entries in the order of their ids. */
function placeOf(entries: readonly Entry[], id: string): number {
  const last = entries.at(-1);
  if (!last || last.id < id) return entries.length;
  let [from, to] = [0, entries.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((entries[middle]?.id ?? '') < id) from = middle + 1;
    else to = middle;
  }
  return from;
}

/** Ids rise with time: only where an older one names a newer one can entries go in a circle. */
const seesBackwards = ({ id, seen }: Entry): boolean => seen.some((other) => other >= id);

/**
 * The log of these entries, in their order. An entry that names itself has not seen itself;
 * entries that name each other, which no honest pair can, all stand: what they say must not vanish
 * between them.
 */
function fromEntries(entries: readonly Entry[]): PathLog {
  const seenBy = new Map<string, Entry[]>();
  for (const entry of entries)
    for (const id of entry.seen) {
      const by = seenBy.get(id);
      if (by) by.push(entry);
      else seenBy.set(id, [entry]);
    }
  if (!entries.some(seesBackwards))
    return { entries, heads: entries.filter(({ id }) => !seenBy.has(id)) };
  const known = new Map(entries.map((entry) => [entry.id, entry]));
  const heads = entries.filter((entry) =>
    (seenBy.get(entry.id) ?? []).every((by) => hasSeen(known, entry, by)),
  );
  return { entries, heads, backwards: true };
}

/** Whether an entry has seen another, itself or by way of what it has seen. */
function hasSeen(known: ReadonlyMap<string, Entry>, from: Entry, wanted: Entry): boolean {
  if (from === wanted) return true;
  const looked = new Set<string>();
  const waiting = [from];
  for (let entry = waiting.pop(); entry; entry = waiting.pop())
    for (const id of entry.seen) {
      if (id === wanted.id) return true;
      const next = known.get(id);
      if (!next || looked.has(id)) continue;
      looked.add(id);
      waiting.push(next);
    }
  return false;
}

/**
 * The heads that say what stands: what the office prepared gives way to whoever said something
 * without having seen it.
 */
export function countingHeads({ heads }: PathLog): readonly Entry[] {
  if (heads.length < 2 || !heads.some(({ kind }) => kind === 'prepare')) return heads;
  const said = heads.filter(({ kind }) => kind !== 'prepare');
  return said.length > 0 ? said : heads;
}

/** Two heads say the same when kind of effect, value and unit are equal. */
export function saysTheSame(a: Entry, b: Entry): boolean {
  return fingerprint(a) === fingerprint(b);
}

const SAYS: ReadonlySet<Entry['kind']> = new Set<Entry['kind']>(['answer', 'correct', 'prepare']);

function fingerprint(entry: Entry): string {
  const effect = takesAway(entry) ? 'clear' : SAYS.has(entry.kind) ? 'answer' : entry.kind;
  return canonicalize([effect, entry.value, entry.unit ?? null]) ?? '';
}

/** The heads that say different things, one for each thing said; fewer than two: no disagreement. */
export function differingHeads(log: PathLog): readonly Entry[] {
  const heads = countingHeads(log);
  if (heads.length < 2) return heads;
  const said = new Map<string, Entry>();
  for (const head of heads) said.set(fingerprint(head), head);
  return [...said.values()].sort(byId);
}
