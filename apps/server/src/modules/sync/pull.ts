import { addDays } from '@ant-trail/core/calendar';
import type { PullAnswer, RecordChange, RecordKind, RecordOf } from '@ant-trail/contract/sync';
import { Between, In, MoreThan, Not, type EntityManager } from 'typeorm';
import { feedEnd, feedPage, type FeedEnd, type FeedKind } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { PersonRow } from '../accounts/entities.ts';
import { localNow } from '../accounts/people.ts';
import { allCatalogues, cataloguesWith } from '../catalogues/catalogues.ts';
import { earlierAnswers } from '../capture/earlier.ts';
import { EntryRow } from '../capture/entities.ts';
import { earlierReadings } from '../capture/series.ts';
import { JobRow } from '../planning/entities.ts';
import { findJobs, jobOf, visitsOf } from '../planning/jobs.ts';
import { assetsOf } from '../register/register.ts';
import { siteOf } from '../sites/routes.ts';
import { findVersions } from '../templates/versions.ts';
import { writeCursor, type Cursor } from './cursor.ts';

const DAYS_AHEAD = 7;
const DAYS_BACK = 2;
/** Unfinished work stays on the phone this long after its day. */
const DAYS_UNFINISHED = 30;
const JOBS_A_PAGE = 15;
const FEED_ROWS_A_PAGE = 500;

export interface PullRequest {
  readonly cursor: Cursor;
  readonly through: string | null;
}

interface Window {
  readonly today: string;
  readonly last: string;
}

/** Everything this person may need that their phone does not have yet. */
export async function answerPull(
  db: EntityManager,
  session: Session,
  { cursor, through }: PullRequest,
  rowsAPage = FEED_ROWS_A_PAGE,
): Promise<PullAnswer> {
  const { day: today } = await localNow(db);
  const window = { today, last: addDays(today, DAYS_AHEAD) };
  const end = await feedEnd(db);
  if (cursor.kind === 'new' || !isOfThisFeed(cursor, end))
    return fillPage(db, session, window, { epoch: end.epoch, upto: end.upto, after: null });
  return cursor.kind === 'fill'
    ? fillPage(db, session, window, cursor)
    : changesSince(db, session, window, { end, since: cursor.upto, through, rowsAPage });
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
  session: Session,
  window: Window,
  { epoch, upto, after: before }: FillFrom,
): Promise<PullAnswer> {
  const inScope = await idsInScope(db, session, window);
  const wanted = inScope.filter((id) => id > (before ?? ''));
  const page = wanted.slice(0, JOBS_A_PAGE);
  const after = wanted.length > page.length ? page.at(-1) : undefined;
  const scope = after ? null : await findScope(db, inScope);
  return {
    changes: [
      ...(await colleagues(db)),
      ...(before === null ? catalogueRecords(await allCatalogues(db)) : []),
      ...(await bundleJobs(db, page)),
    ],
    through: window.last,
    visits: scope && scope.flatMap(({ visits }) => visits),
    more: after !== undefined,
    cursor: writeCursor(after ? { kind: 'fill', epoch, upto, after } : { kind: 'at', epoch, upto }),
  };
}

interface Since {
  readonly end: FeedEnd;
  readonly since: number;
  readonly through: string | null;
  readonly rowsAPage: number;
}

async function changesSince(
  db: EntityManager,
  session: Session,
  window: Window,
  { end, since, through, rowsAPage }: Since,
): Promise<PullAnswer> {
  const page = await feedPage(db, since, end.upto, rowsAPage);
  const refs = (kind: FeedKind): string[] => [
    ...new Set(page.rows.filter((row) => row.kind === kind).map((row) => row.ref)),
  ];
  const answer = {
    through: window.last,
    visits: null,
    more: page.more,
    cursor: writeCursor({ kind: 'at', epoch: end.epoch, upto: page.upto }),
  };
  if (page.rows.length === 0 && through !== null && through >= window.last)
    return { ...answer, changes: [] };

  const inScope = await idsInScope(db, session, window);
  const scope = await findScope(db, inScope);
  const changedVisits = refs('visit');
  const newDays = scope.filter((job) => through !== null && job.day > through).map((job) => job.id);
  const changed = scope
    .filter(({ visits }) => visits.some((visit) => changedVisits.includes(visit)))
    .map((job) => job.id);
  const bundled = new Set([...changed, ...newDays]);

  const sites = refs('site');
  const withSites = scope.filter((job) => sites.includes(job.site)).map((job) => job.id);
  const siteJobs = await findJobs(db, { id: In(withSites) });
  const changedSheets = refs('sheet');
  const sheets = scope
    .filter((job) => !bundled.has(job.id))
    .flatMap(({ sheets }) => sheets.filter((sheet) => changedSheets.includes(sheet)));
  const entries = await db.find(EntryRow, {
    where: { sheet: In(sheets), tx: MoreThan(String(since)) },
    order: { id: 'ASC' },
  });
  const known = new Set(scope.flatMap(({ visits }) => visits));
  return {
    ...answer,
    changes: [
      ...(await colleagues(db)),
      ...(await bundleJobs(db, [...bundled])),
      ...siteRecords(siteJobs),
      ...assetRecords(
        await assetsOf(
          db,
          siteJobs.map((job) => job.site.id),
        ),
      ),
      ...entries.map(entryRecord),
      ...catalogueRecords(await cataloguesWith(db, refs('catalogue'))),
      ...changedVisits.filter((ref) => !known.has(ref)).map((id) => gone('visit', id)),
    ],
  };
}

interface ScopedJob {
  readonly id: string;
  readonly site: string;
  readonly sheets: readonly string[];
  readonly visits: readonly string[];
  /** The last day somebody is at it. */
  readonly day: string;
}

async function findScope(db: EntityManager, ids: readonly string[]): Promise<ScopedJob[]> {
  const rows = await db.find(JobRow, {
    where: { id: In(ids) },
    relations: { site: true, sheets: true, visits: true },
  });
  return rows.map((row) => ({
    id: row.id,
    site: row.site.id,
    sheets: row.sheets.map(({ id }) => id),
    visits: row.visits.map(({ id }) => id),
    day: row.visits.reduce((last, { day }) => (day > last ? day : last), row.day),
  }));
}

/** The jobs on this person's trail: the days around today, what is unfinished, what came back. */
async function idsInScope(
  db: EntityManager,
  session: Session,
  { today, last }: Window,
): Promise<string[]> {
  const { person } = session;
  const rows = await db.find(JobRow, {
    select: { id: true },
    where: [
      {
        visits: { person, day: Between(addDays(today, -DAYS_BACK), last) },
        state: Not(In(['cancelled', 'closed'])),
      },
      { visits: { person }, state: 'returned' },
      {
        visits: {
          person,
          day: Between(addDays(today, -DAYS_UNFINISHED), addDays(today, -1)),
        },
        state: In(['under way', 'planned']),
      },
    ],
  });
  return [...new Set(rows.map((row) => row.id))].sort();
}

/** Jobs with all that is needed to do them with no network. */
async function bundleJobs(
  db: EntityManager,
  ids: readonly string[],
): Promise<readonly RecordChange[]> {
  if (ids.length === 0) return [];
  const rows = await findJobs(db, { id: In(ids) });
  const entries = await db.find(EntryRow, {
    where: { sheet: In(rows.flatMap(({ sheets }) => sheets.map(({ id }) => id))) },
    order: { id: 'ASC' },
  });
  const known: RecordChange[] = [];
  for (const { id: job, site, day, sheets } of rows)
    for (const { id, template, asset } of sheets) {
      const at = { id, site: site.id, template, asset, job, day };
      const where = `${site.id} ${template}${asset === null ? '' : ` ${asset}`}`;
      for (const each of await earlierReadings(db, at))
        known.push(record('series', `${where} ${each.key}`, each));
      const offered = await earlierAnswers(db, at);
      if (offered) known.push(record('earlier', where, offered));
    }
  const versions = await findVersions(
    db,
    rows.flatMap(({ sheets }) => sheets.map(({ version }) => version)),
  );
  return [
    ...siteRecords(rows),
    ...assetRecords(await assetsOf(db, [...new Set(rows.map((row) => row.site.id))])),
    ...versions.map((version) => record('template', version.id, version)),
    ...rows.map((row) => record('job', row.id, jobOf(row))),
    ...rows.flatMap((row) => visitsOf(row).map((visit) => record('visit', visit.id, visit))),
    ...entries.map(entryRecord),
    ...known,
  ];
}

const record = <Kind extends RecordKind>(
  kind: Kind,
  id: string,
  body: RecordOf<Kind>,
): RecordChange => ({ kind, id, body });
const gone = (kind: RecordKind, id: string): RecordChange => ({ kind, id, body: null });

const siteRecords = (jobs: readonly JobRow[]): RecordChange[] =>
  [...new Map(jobs.map(({ site }) => [site.id, site])).values()].map((site) =>
    record('site', site.id, siteOf(site)),
  );
const assetRecords = (assets: readonly RecordOf<'asset'>[]): RecordChange[] =>
  assets.map((asset) => record('asset', asset.id, asset));
const catalogueRecords = (catalogues: readonly RecordOf<'catalogue'>[]): RecordChange[] =>
  catalogues.map((catalogue) => record('catalogue', catalogue.id, catalogue));
const entryRecord = (row: EntryRow): RecordChange =>
  record('entry', row.id, { body: row.body, receivedAt: row.receivedAt.toISOString() });

async function colleagues(db: EntityManager): Promise<RecordChange[]> {
  const rows = await db.find(PersonRow, { order: { name: 'ASC' } });
  return rows.map(({ id, name }) => record('person', id, { id, name }));
}
