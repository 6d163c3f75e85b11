import type { PullAnswer, RecordChange, RecordKind } from '@ant-trail/contract/sync';
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
const REST_A_PAGE = 2_000;

export interface PullRequest {
  readonly cursor: Cursor;
  readonly through: string | null;
}

/** Everything this person may need that their phone does not have yet. */
export async function answerPull(
  db: EntityManager,
  session: Session,
  request: PullRequest,
  rowsAPage = FEED_ROWS_A_PAGE,
  restAPage = REST_A_PAGE,
): Promise<PullAnswer> {
  const answer = await readFurther(db, session, request, rowsAPage, restAPage);
  return { ...answer, branch: session.branch };
}

async function readFurther(
  db: EntityManager,
  session: Session,
  { cursor, through }: PullRequest,
  rowsAPage: number,
  restAPage: number,
): Promise<PullAnswer> {
  const { person, branch } = session;
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
  const window = { person, branch, today: end.today, last: addDays(end.today, DAYS_AHEAD) };
  if (cursor.kind === 'rest' && isOfThisFeed(cursor, end)) {
    const rest = await restOf(db, branch, cursor, restAPage);
    return { ...rest.answer, changes: rest.changes, through: window.last, visits: null };
  }
  return cursor.kind === 'fill' && isOfThisFeed(cursor, end)
    ? fillPage(db, window, cursor, restAPage)
    : fillPage(db, window, { epoch: end.epoch, upto: end.upto, after: null }, restAPage);
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
  window: Reader & { readonly branch: string },
  { epoch, upto, after: before }: FillFrom,
  restAPage: number,
): Promise<PullAnswer> {
  const scope = await findScope(db, window);
  const wanted = scope.map(({ id }) => id).filter((id) => id > (before ?? ''));
  const page = wanted.slice(0, JOBS_A_PAGE);
  const after = wanted.length > page.length ? page.at(-1) : undefined;
  const changes = [
    ...(before === null ? await collect((source) => source.forAll(db)) : []),
    ...(before === null ? await collect((source) => source.ofPerson(db, window.person)) : []),
    ...(await bundleJobs(db, page)),
  ];
  if (after)
    return {
      ...{ changes, through: window.last, visits: null, more: true },
      cursor: writeCursor({ kind: 'fill', epoch, upto, after }),
    };
  // The work is there; what else stands in the branch follows behind it.
  const rest = await restOf(db, window.branch, { epoch, upto, of: null, after: null }, restAPage);
  return {
    ...rest.answer,
    changes: eachOnce([...changes, ...rest.changes]),
    through: window.last,
    visits: scope.flatMap(({ visits }) => visits),
  };
}

interface RestFrom {
  readonly epoch: string;
  readonly upto: number;
  /** The kind that is being read, and the last of it; null before the first. */
  readonly of: RecordKind | null;
  readonly after: string | null;
}

/** A page of what everybody of a branch has, kind after kind. */
async function restOf(
  db: EntityManager,
  branch: string,
  { epoch, upto, of, after: last }: RestFrom,
  most: number,
): Promise<{
  changes: RecordChange[];
  answer: { more: boolean; cursor: string };
}> {
  const paged = RECORD_SOURCES.filter(({ isPaged }) => isPaged);
  const from = Math.max(
    0,
    paged.findIndex(({ kind }) => kind === of),
  );
  const changes: RecordChange[] = [];
  for (const source of paged.slice(from)) {
    const after = source.kind === of ? last : null;
    const wanted = Math.min(most - changes.length, source.atMost);
    const page = await source.ofBranch(db, { branch, after, most: wanted });
    changes.push(...page);
    const end = page.at(-1);
    if (end && page.length >= wanted)
      return {
        changes,
        answer: {
          more: true,
          cursor: writeCursor({ kind: 'rest', epoch, upto, of: source.kind, after: end.id }),
        },
      };
  }
  return { changes, answer: { more: false, cursor: writeCursor({ kind: 'at', epoch, upto }) } };
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
