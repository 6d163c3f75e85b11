import type { EntityManager } from 'typeorm';

/** What a feed row says has changed. */
export type FeedKind = 'visit' | 'sheet' | 'site' | 'action' | 'media' | 'mail' | 'catalogue';
export interface Change {
  readonly kind: FeedKind;
  readonly ref: string;
}

export const FEED_CHANNEL = 'trail_feed';

/** Tells phones and desks of changes, once the transaction is through. */
export async function announce(
  db: EntityManager,
  organisation: string,
  changes: readonly Change[],
): Promise<void> {
  if (changes.length === 0) return;
  await db.query(
    `INSERT INTO feed (org_id, kind, ref)
     SELECT $1, kind, ref FROM unnest($2::text[], $3::uuid[]) AS change (kind, ref)
     ON CONFLICT DO NOTHING`,
    [organisation, changes.map((c) => c.kind), changes.map((c) => c.ref)],
  );
  await db.query(`SELECT pg_notify($1, $2)`, [FEED_CHANNEL, organisation]);
}

/** How far the feed can be read now, and which feed it is. */
export interface FeedEnd {
  /** Everything up to this transaction is through, or never will be. */
  readonly upto: number;
  /** A number no transaction has reached yet: whoever claims to have read so far read another feed. */
  readonly beyond: number;
  /** Changes when the database was restored: what was read before then counts for nothing. */
  readonly epoch: string;
  /** What lies before was pruned. */
  readonly floor: number;
}

export async function feedEnd(db: EntityManager): Promise<FeedEnd> {
  const [row] = await db.query<
    { upto: string; beyond: string; epoch: string | null; floor: string | null }[]
  >(
    `SELECT pg_snapshot_xmin(snapshot)::text::bigint - 1 AS upto,
            pg_snapshot_xmax(snapshot)::text::bigint AS beyond,
            (SELECT epoch FROM feed_state) AS epoch, (SELECT floor FROM feed_state) AS floor
     FROM pg_current_snapshot() AS snapshot`,
  );
  return {
    upto: Number(row?.upto ?? 0),
    beyond: Number(row?.beyond ?? 0),
    epoch: row?.epoch ?? 'first',
    floor: Number(row?.floor ?? 0),
  };
}

export interface FeedRow {
  readonly tx: number;
  readonly kind: FeedKind;
  readonly ref: string;
}

export interface FeedPage {
  readonly rows: readonly FeedRow[];
  /** Read so far: always the end of a transaction. */
  readonly upto: number;
  readonly more: boolean;
}

/**
 * The next page of the feed. It holds whole transactions, since what a reader fetches for it (the
 * entries of a sheet) goes by transactions too: half of one would leave the rest unread for good.
 */
export async function feedPage(
  db: EntityManager,
  since: number,
  upto: number,
  about: number,
): Promise<FeedPage> {
  const rows = await readFeed(db, since, upto, about + 1);
  const beyond = rows[about];
  if (!beyond) return { rows, upto: Math.max(since, upto), more: false };
  const whole = rows.filter(({ tx }) => tx < beyond.tx);
  const last = whole.at(-1);
  if (last) return { rows: whole, upto: last.tx, more: true };
  // One transaction alone fills the page: it is read whole, however long.
  const one = await readFeed(db, beyond.tx - 1, beyond.tx, null);
  return { rows: one, upto: beyond.tx, more: true };
}

async function readFeed(
  db: EntityManager,
  since: number,
  upto: number,
  most: number | null,
): Promise<FeedRow[]> {
  const rows = await db.query<{ tx: string; kind: FeedKind; ref: string }[]>(
    `SELECT tx, kind, ref FROM feed WHERE tx > $1 AND tx <= $2 ORDER BY tx, kind, ref LIMIT $3`,
    [since, upto, most],
  );
  return rows.map(({ tx, kind, ref }) => ({ tx: Number(tx), kind, ref }));
}

/** Feed rows are kept this long; a phone that was away longer is filled anew. */
const DAYS_KEPT = 60;

/** Takes off what no phone in use needs any more, and remembers how far that went. */
export async function pruneFeed(db: EntityManager, organisation: string): Promise<void> {
  await db.query(
    `WITH old AS (DELETE FROM feed WHERE at < now() - make_interval(days => $2) RETURNING tx)
     INSERT INTO feed_state (org_id, floor) SELECT $1, max(tx) FROM old HAVING count(*) > 0
     ON CONFLICT (org_id) DO UPDATE SET floor = greatest(feed_state.floor, excluded.floor)`,
    [organisation, DAYS_KEPT],
  );
}
