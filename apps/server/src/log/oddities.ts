import { instantOf, type Entry, type Oddity } from '@ant-trail/core/log';
import type { EntityManager } from 'typeorm';

export interface HashedEntry {
  readonly entry: Entry;
  readonly hash: string;
}

const DAY_MS = 86_400_000;
/** A phone may have been in a drawer; a clock may be off by some minutes, but not by days. */
const LONGEST_AWAY_MS = 3 * 365 * DAY_MS;

/**
 * What is odd about entries as they arrive. They are taken in all the same, since refusing could
 * lose what somebody saw; the office is shown it.
 */
export async function odditiesOf(
  db: EntityManager,
  hashed: readonly HashedEntry[],
): Promise<Map<string, Oddity[]>> {
  const now = Date.now();
  const { before, followed } = await neighboursOf(db, hashed);
  const named = new Map<string, string>();
  const inBatch = new Map(hashed.map(({ entry, hash }) => [hash, entry.id]));
  const odd = new Map<string, Oddity[]>();
  const eachOther = await namingEachOther(db, hashed);
  for (const { entry, hash } of hashed) {
    const found: Oddity[] = [];
    if (entry.seen.includes(entry.id)) found.push('names itself');
    if (eachOther.has(entry.id)) found.push('names each other');
    if (clockIsOff(entry, now)) found.push('clock');
    const { prev } = entry;
    if (prev !== null) {
      if (prev === hash || (!before.has(prev) && !inBatch.has(prev))) found.push('missing before');
      const other = followed.get(prev) ?? named.get(prev);
      if (other !== undefined && other !== entry.id) found.push('named twice');
      named.set(prev, entry.id);
    }
    if (found.length > 0) odd.set(entry.id, found);
  }
  return odd;
}

function clockIsOff({ id, at }: Entry, now: number): boolean {
  const said = Date.parse(at);
  const made = instantOf(id) ?? said;
  return said > now + DAY_MS || said < now - LONGEST_AWAY_MS || Math.abs(made - said) > DAY_MS;
}

/** Of what the batch names as written before: what is here, and what already follows it. */
async function neighboursOf(
  db: EntityManager,
  hashed: readonly HashedEntry[],
): Promise<{ before: Set<string>; followed: Map<string, string> }> {
  const prevs = hashed.flatMap(({ entry }) => (entry.prev === null ? [] : [entry.prev]));
  if (prevs.length === 0) return { before: new Set(), followed: new Map() };
  const before = await db.query<{ hash: string }[]>(
    `SELECT hash FROM entry WHERE hash = ANY ($1)`,
    [prevs],
  );
  const after = await db.query<{ prev: string; id: string }[]>(
    `SELECT prev, id FROM entry WHERE prev = ANY ($1)`,
    [prevs],
  );
  return {
    before: new Set(before.map(({ hash }) => hash)),
    followed: new Map(after.map(({ prev, id }) => [prev, id])),
  };
}

/** Entries of which each claims to have seen the other: at most one of them can have. */
async function namingEachOther(
  db: EntityManager,
  hashed: readonly HashedEntry[],
): Promise<Set<string>> {
  const found = new Set<string>();
  const inBatch = new Map(hashed.map(({ entry }) => [entry.id, entry]));
  for (const { entry } of hashed) {
    const newer = entry.seen.filter((id) => id > entry.id);
    if (newer.some((id) => inBatch.get(id)?.seen.includes(entry.id))) found.add(entry.id);
  }
  const suspects = hashed.filter(({ entry }) => entry.seen.some((id) => id > entry.id));
  if (suspects.length === 0) return found;
  const rows = await db.query<{ id: string }[]>(
    `SELECT mine.id FROM unnest($1::text[]) AS mine (id)
     WHERE EXISTS (SELECT 1 FROM entry e WHERE e.sheet_id = ANY ($2::uuid[])
                   AND e.body->'seen' ? mine.id)`,
    [suspects.map(({ entry }) => entry.id), [...new Set(suspects.map(({ entry }) => entry.sheet))]],
  );
  for (const { id } of rows) found.add(id);
  return found;
}

/** What seemed to be missing may only have come later. */
export async function followUpOddities(
  db: EntityManager,
  hashes: readonly string[],
): Promise<void> {
  const missing: Oddity = 'missing before';
  await db.query(
    `UPDATE entry SET odd = array_remove(odd, $2)
     WHERE prev = ANY ($1) AND odd @> ARRAY[$2] AND hash <> prev`,
    [hashes, missing],
  );
}
