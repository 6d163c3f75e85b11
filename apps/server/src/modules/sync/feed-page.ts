import { addDays } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import {
  FEED_END_COLUMNS,
  readFeedEnd,
  type FeedEnd,
  type FeedEndRow,
  type FeedKind,
} from '../../database/feed.ts';

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

/** Whose phone asks, and the days before it. */
export interface Reader {
  readonly person: string;
  readonly today: string;
  /** The last day ahead that a phone knows of. */
  readonly last: string;
}

/**
 * The next page of what reaches one phone. It holds whole transactions, since what a reader fetches
 * for it (the entries of a sheet) goes by transactions too: half of one would leave the rest unread
 * for good. What reaches a phone is decided when it reads, and not when it was written: a job that
 * comes to somebody while another transaction writes in it misses nothing.
 */
export async function feedPage(
  db: EntityManager,
  reader: Reader,
  since: number,
  upto: number,
  about: number,
): Promise<FeedPage> {
  return endWhole(
    db,
    reader,
    { since, upto, about },
    await readFeed(db, reader, since, upto, about + 1),
  );
}

/** Who asks, how many days ahead they know, and where they were. */
interface ReadFrom {
  readonly person: string;
  readonly daysAhead: number;
  readonly since: number;
  readonly about: number;
}

/**
 * Where the feed ends, and the page before it, in one question: most often a phone asks and there is
 * nothing new for it.
 */
export async function readOn(
  db: EntityManager,
  { person, daysAhead, since, about }: ReadFrom,
): Promise<{ end: FeedEnd; reader: Reader; page: FeedPage }> {
  const found = await db.query<(FeedEndRow & { [Key in keyof FedRow]: FedRow[Key] | null })[]>(
    `SELECT ${FEED_END_COLUMNS}, f.tx, f.kind, f.ref
     FROM feed_end() e
     LEFT JOIN LATERAL feed_for($1, e.today, e.today + $2::int, $3, e.upto, $4) f ON true`,
    [person, daysAhead, since, about + 1],
  );
  const end = readFeedEnd(found[0]);
  const reader = { person, today: end.today, last: addDays(end.today, daysAhead) };
  const rows = found.flatMap(({ tx, kind, ref }) =>
    tx && kind && ref ? [{ tx: Number(tx), kind, ref }] : [],
  );
  return { end, reader, page: await endWhole(db, reader, { since, upto: end.upto, about }, rows) };
}

interface Span {
  readonly since: number;
  readonly upto: number;
  readonly about: number;
}

async function endWhole(
  db: EntityManager,
  reader: Reader,
  { since, upto, about }: Span,
  rows: readonly FeedRow[],
): Promise<FeedPage> {
  const beyond = rows[about];
  if (!beyond) return { rows, upto: Math.max(since, upto), more: false };
  const whole = rows.filter(({ tx }) => tx < beyond.tx);
  const last = whole.at(-1);
  if (last) return { rows: whole, upto: last.tx, more: true };
  // One transaction alone fills the page: it is read whole, however long.
  const one = await readFeed(db, reader, beyond.tx - 1, beyond.tx, null);
  return { rows: one, upto: beyond.tx, more: true };
}

interface FedRow {
  readonly tx: string;
  readonly kind: FeedKind;
  readonly ref: string;
}

async function readFeed(
  db: EntityManager,
  { person, today, last }: Reader,
  since: number,
  upto: number,
  most: number | null,
): Promise<FeedRow[]> {
  const rows = await db.query<FedRow[]>(
    `SELECT tx, kind, ref FROM feed_for($1, $2, $3, $4, $5, $6)`,
    [person, today, last, since, upto, most],
  );
  return rows.map(({ tx, kind, ref }) => ({ tx: Number(tx), kind, ref }));
}
