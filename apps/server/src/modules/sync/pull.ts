import type { PullAnswer, RecordChange } from '@ant-trail/contract/sync';
import { addDays } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import { feedEnd, type FeedEnd, type FeedKind } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { jobsAtHand } from '../planning/jobs.ts';
import { writeCursor, type Cursor } from './cursor.ts';
import { readOn, type FeedPage, type FeedRow, type Reader } from './feed-page.ts';
import { RECORD_SOURCES } from './records.ts';
import { findScope, type ScopedJob } from './scope.ts';

const DAYS_AHEAD = 7;
const JOBS_A_PAGE = 15;
const FEED_ROWS_A_PAGE = 500;

export interface PullRequest {
  readonly cursor: Cursor;
  readonly through: string | null;
}

/** Everything this person may need that their phone does not have yet. */
export async function answerPull(
  db: EntityManager,
  session: Session,
  { cursor, through }: PullRequest,
  rowsAPage = FEED_ROWS_A_PAGE,
): Promise<PullAnswer> {
  const { person } = session;
  if (cursor.kind === 'at') {
    const read = await readOn(db, {
      person,
      daysAhead: DAYS_AHEAD,
      since: cursor.upto,
      about: rowsAPage,
    });
    if (isOfThisFeed(cursor, read.end))
      return changesSince(db, { ...read, since: cursor.upto, through });
  }
  const end = await feedEnd(db);
  const window = { person, today: end.today, last: addDays(end.today, DAYS_AHEAD) };
  return cursor.kind === 'fill' && isOfThisFeed(cursor, end)
    ? fillPage(db, window, cursor)
    : fillPage(db, window, { epoch: end.epoch, upto: end.upto, after: null });
}

/** Whether going on from a cursor misses nothing: it is of this feed, and not from before its floor. */
const isOfThisFeed = (cursor: Exclude<Cursor, { kind: 'new' }>, end: FeedEnd): boolean =>
  cursor.epoch === end.epoch && cursor.upto < end.beyond && cursor.upto >= end.floor;

interface FillFrom {
  readonly epoch: string;
  readonly upto: number;
  readonly after: string | null;
}

/** A phone is filled job by job; whatever changes meanwhile follows by the feed. */
async function fillPage(
  db: EntityManager,
  window: Reader,
  { epoch, upto, after: before }: FillFrom,
): Promise<PullAnswer> {
  const scope = await findScope(db, window);
  const wanted = scope.map(({ id }) => id).filter((id) => id > (before ?? ''));
  const page = wanted.slice(0, JOBS_A_PAGE);
  const after = wanted.length > page.length ? page.at(-1) : undefined;
  return {
    changes: [
      ...(before === null ? await collect((source) => source.forAll(db)) : []),
      ...(await bundleJobs(db, page)),
    ],
    through: window.last,
    visits: after ? null : scope.flatMap(({ visits }) => visits),
    more: after !== undefined,
    cursor: writeCursor(after ? { kind: 'fill', epoch, upto, after } : { kind: 'at', epoch, upto }),
  };
}

interface Since {
  readonly end: FeedEnd;
  readonly reader: Reader;
  readonly page: FeedPage;
  readonly since: number;
  readonly through: string | null;
}

async function changesSince(
  db: EntityManager,
  { end, reader: window, page, since, through }: Since,
): Promise<PullAnswer> {
  const answer = {
    through: window.last,
    visits: null,
    more: page.more,
    cursor: writeCursor({ kind: 'at', epoch: end.epoch, upto: page.upto }),
  };
  const daysCame = through !== null && through < window.last;
  if (page.rows.length === 0 && !daysCame) return { ...answer, changes: [] };

  const named = byKind(page.rows);
  const visits = named.get('visit') ?? [];
  const scope = visits.length > 0 || daysCame ? await findScope(db, window) : [];
  const come = jobsThatCame(scope, new Set(visits), daysCame ? through : null);
  const here = new Set(scope.flatMap((job) => job.visits));
  return {
    ...answer,
    changes: [
      ...eachOnce([
        ...(await collect((source) => source.after(db, named, since))),
        ...(await bundleJobs(db, come)),
      ]),
      ...visits.filter((id) => !here.has(id)).map((id) => ({ kind: 'visit', id, body: null })),
    ],
  };
}

/** Jobs that changed as a whole, or whose days have come into view. */
const jobsThatCame = (
  scope: readonly ScopedJob[],
  visits: ReadonlySet<string>,
  through: string | null,
): string[] =>
  scope
    .filter(
      (job) =>
        job.visits.some((visit) => visits.has(visit)) || (through !== null && job.last > through),
    )
    .map(({ id }) => id);

function byKind(rows: readonly FeedRow[]): Map<FeedKind, string[]> {
  const named = new Map<FeedKind, Set<string>>();
  for (const { kind, ref } of rows)
    named.set(kind, (named.get(kind) ?? new Set<string>()).add(ref));
  return new Map([...named].map(([kind, refs]) => [kind, [...refs]]));
}

/** A job that comes brings everything along, what changed in it too. */
const eachOnce = (changes: readonly RecordChange[]): RecordChange[] => [
  ...new Map(changes.map((change) => [`${change.kind} ${change.id}`, change])).values(),
];

async function collect(
  ask: (source: (typeof RECORD_SOURCES)[number]) => Promise<RecordChange[]>,
): Promise<RecordChange[]> {
  const found: RecordChange[] = [];
  for (const source of RECORD_SOURCES) found.push(...(await ask(source)));
  return found;
}

/** Jobs with all that is needed to do them with no network. */
async function bundleJobs(db: EntityManager, ids: readonly string[]): Promise<RecordChange[]> {
  if (ids.length === 0) return [];
  const jobs = await jobsAtHand(db, ids);
  return collect((source) => source.withJobs(db, jobs));
}
