import { entryHash, type Entry, type Oddity } from '@ant-trail/core/log';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../database/feed.ts';
import { markDue } from './due.ts';
import { EntryRow } from './entities.ts';
import { followUpOddities, odditiesOf } from './oddities.ts';

export interface Appended {
  readonly fresh: ReadonlySet<string>;
  /** Hashes of entries whose id is known with other content: never taken over. */
  readonly clashing: ReadonlySet<string>;
}

/** Adds entries to the log, each exactly once; what is projected from it follows. */
export async function appendEntries(
  db: EntityManager,
  organisation: string,
  entries: readonly Entry[],
  /** What whoever takes them in finds odd about them, besides what the log itself shows. */
  also: (id: string) => readonly Oddity[] = () => [],
): Promise<Appended> {
  if (entries.length === 0) return { fresh: new Set(), clashing: new Set() };
  const hashed = entries.map((entry) => ({ entry, hash: entryHash(entry) }));
  const odd = await odditiesOf(db, hashed);
  // In the order of their ids: two who send the same at once never wait for each other in a circle.
  const lines = hashed
    .map(({ entry, hash }, nr) => ({
      body: entry,
      hash,
      nr,
      odd: [...new Set([...(odd.get(entry.id) ?? []), ...also(entry.id)])],
    }))
    .sort((a, b) => (a.body.id < b.body.id ? -1 : a.body.id > b.body.id ? 1 : a.nr - b.nr));
  const added = await db.query<{ id: string }[]>(
    `INSERT INTO entry (org_id, id, sheet_id, body, hash, odd)
     SELECT $1::uuid, (body->>'id')::uuid, (body->>'sheet')::uuid, body, hash,
            ARRAY(SELECT jsonb_array_elements_text(odd))
     FROM jsonb_to_recordset($2::jsonb) AS given (body jsonb, hash text, odd jsonb)
     ON CONFLICT (org_id, id) DO NOTHING RETURNING id`,
    [organisation, JSON.stringify(lines)],
  );
  const fresh = new Set(added.map(({ id }) => id));
  const stored = await db.find(EntryRow, {
    select: { id: true, hash: true, body: true },
    where: { id: In(entries.map(({ id }) => id)) },
  });
  const kept = new Map(stored.map((row) => [row.id, row.hash ?? entryHash(row.body)]));
  const clashing = new Set(
    hashed.flatMap(({ entry, hash }) => (kept.get(entry.id) === hash ? [] : [hash])),
  );
  if (fresh.size > 0) {
    await followUpOddities(
      db,
      hashed.map(({ hash }) => hash),
    );
    const sheets = new Set(entries.flatMap(({ id, sheet }) => (fresh.has(id) ? [sheet] : [])));
    await markDue(db, organisation, sheets);
    await announceSheets(db, organisation, [...sheets]);
  }
  return { fresh, clashing };
}

/** Tells phones and desks that sheets changed: it reaches those who keep the job. */
export async function announceSheets(
  db: EntityManager,
  organisation: string,
  ids: readonly string[],
): Promise<void> {
  const rows = await db.query<{ id: string; job_id: string }[]>(
    `SELECT id, job_id FROM sheet WHERE id = ANY($1::uuid[])`,
    [ids],
  );
  await announce(
    db,
    organisation,
    rows.map((row) => ({ kind: 'sheet', ref: row.id, reach: row.job_id })),
  );
}

export async function entriesOf(db: EntityManager, sheet: string): Promise<EntryRow[]> {
  return db.find(EntryRow, { where: { sheet }, order: { id: 'ASC' } });
}
