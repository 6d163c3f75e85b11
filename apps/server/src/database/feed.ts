import type { EntityManager } from 'typeorm';

/** What phones hear of by the feed. */
export type FeedKind =
  | 'visit'
  | 'sheet'
  | 'site'
  | 'site note'
  | 'asset'
  | 'tag'
  | 'asset kind'
  | 'arrival'
  | 'catalogue'
  | 'map'
  | 'own fields'
  | 'document'
  | 'person'
  | 'message'
  | 'favourite'
  | 'template'
  | 'round';

/**
 * Something that changed. It reaches the phones that keep a job, a site, a branch's or a person's own
 * things (`reach` is the id of that), or every phone (null). What only desks show reaches no phone.
 */
export type Change =
  | { readonly kind: FeedKind; readonly ref: string; readonly reach: string | null }
  | {
      readonly kind:
        | 'action'
        | 'media'
        | 'mail'
        | 'client'
        | 'opening'
        | 'branch'
        | 'feedback'
        | 'planner'
        | 'hours';
      readonly ref: string;
    };

export const FEED_CHANNEL = 'trail_feed';

/** Tells phones and desks of changes, once the transaction is through. */
export async function announce(
  db: EntityManager,
  organisation: string,
  changes: readonly Change[],
): Promise<void> {
  if (changes.length === 0) return;
  const lines = changes.flatMap((change) => ('reach' in change ? [change] : []));
  if (lines.length > 0)
    await db.query(
      `INSERT INTO feed (org_id, kind, ref, reach)
       SELECT $1, kind, ref, reach
       FROM jsonb_to_recordset($2::jsonb) AS change (kind text, ref uuid, reach uuid)
       ON CONFLICT DO NOTHING`,
      [organisation, JSON.stringify(lines)],
    );
  await db.query(`SELECT pg_notify($1, $2)`, [FEED_CHANNEL, sayChanges(organisation, changes)]);
}

/** What desks are told: kinds and ids, or that it is too much to name (PostgreSQL takes 8,000 bytes). */
export interface Announced {
  readonly organisation: string;
  readonly changes: readonly { readonly kind: string; readonly ref: string }[] | null;
}

const MOST_NAMED = 80;

function sayChanges(organisation: string, changes: readonly Change[]): string {
  const named = [
    ...new Map(changes.map(({ kind, ref }) => [`${kind} ${ref}`, { kind, ref }])).values(),
  ];
  return JSON.stringify({
    organisation,
    changes: named.length > MOST_NAMED ? null : named,
  } satisfies Announced);
}

export const readAnnounced = (payload: string): Announced => JSON.parse(payload) as Announced;

/** How far the feed can be read now, which feed it is, and the day in the organisation's own time. */
export interface FeedEnd {
  readonly today: string;
  /** Everything up to this transaction is through, or never will be. */
  readonly upto: number;
  /** A number no transaction has reached yet: whoever claims to have read so far read another feed. */
  readonly beyond: number;
  /** Changes when the database was restored: what was read before then counts for nothing. */
  readonly epoch: string;
  /** What lies before was pruned. */
  readonly floor: number;
}

/** What the database’s `feed_end()` says. */
export interface FeedEndRow {
  readonly today: string;
  readonly upto: string;
  readonly beyond: string;
  readonly epoch: string | null;
  readonly floor: string | null;
}

export const FEED_END_COLUMNS = 'e.today::text, e.upto, e.beyond, e.epoch, e.floor';

export const readFeedEnd = (row: FeedEndRow | undefined): FeedEnd => {
  if (!row) throw new Error('nothing is known of the feed');
  return {
    today: row.today,
    upto: Number(row.upto),
    beyond: Number(row.beyond),
    epoch: row.epoch ?? 'first',
    floor: Number(row.floor ?? 0),
  };
};

export async function feedEnd(db: EntityManager): Promise<FeedEnd> {
  const [row] = await db.query<FeedEndRow[]>(`SELECT ${FEED_END_COLUMNS} FROM feed_end() e`);
  return readFeedEnd(row);
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
