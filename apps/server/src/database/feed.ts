import type { EntityManager } from 'typeorm';

/** What a feed row says has changed. */
export type FeedKind = 'visit' | 'sheet' | 'site' | 'action' | 'media' | 'mail' | 'catalogue';
export interface Change {
  readonly kind: FeedKind;
  readonly ref: string;
}

export const FEED_CHANNEL = 'trail_feed';

/**
 * Takes the organisation's counter for the rest of the transaction. Numbers are then given out in
 * the order in which transactions end, so that a reader who has seen N never misses a smaller one.
 */
export async function holdCounter(db: EntityManager, organisation: string): Promise<void> {
  await db.query(
    `INSERT INTO feed_counter (org_id, last) VALUES ($1, 0) ON CONFLICT (org_id) DO NOTHING`,
    [organisation],
  );
  await db.query(`SELECT last FROM feed_counter WHERE org_id = $1 FOR UPDATE`, [organisation]);
}

/** Gives out `count` numbers; returns the first. */
export async function takeNumbers(
  db: EntityManager,
  organisation: string,
  count: number,
): Promise<number> {
  const [rows] = await db.query<[{ last: string }[], number]>(
    `UPDATE feed_counter SET last = last + $2 WHERE org_id = $1 RETURNING last`,
    [organisation, count],
  );
  return Number(rows[0]?.last ?? count) - count + 1;
}

/** Tells phones and desks of changes, once the transaction is through. */
export async function announce(
  db: EntityManager,
  organisation: string,
  changes: readonly Change[],
): Promise<void> {
  if (changes.length === 0) return;
  await holdCounter(db, organisation);
  const first = await takeNumbers(db, organisation, changes.length);
  await db.query(
    `INSERT INTO feed (org_id, seq, kind, ref)
     SELECT $1, $2::bigint + ordinality - 1, kind, ref
     FROM unnest($3::text[], $4::uuid[]) WITH ORDINALITY AS change (kind, ref, ordinality)`,
    [organisation, first, changes.map((c) => c.kind), changes.map((c) => c.ref)],
  );
  await db.query(`SELECT pg_notify($1, $2)`, [FEED_CHANNEL, organisation]);
}
