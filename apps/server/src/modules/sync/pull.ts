import { addDays } from '@ant-trail/core/calendar';
import type { PullAnswer } from '@ant-trail/contract/sync';
import { Between, In, MoreThan, type EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { PersonRow } from '../accounts/entities.ts';
import { localNow } from '../accounts/people.ts';
import { allCatalogues, cataloguesWith } from '../catalogues/catalogues.ts';
import { earlierAnswers } from '../capture/earlier.ts';
import { EntryRow } from '../capture/entities.ts';
import { earlierReadings } from '../capture/series.ts';
import { JobRow } from '../planning/entities.ts';
import { findJobs, jobOf, visitOf } from '../planning/jobs.ts';
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
  request: PullRequest,
): Promise<PullAnswer> {
  const { day: today } = await localNow(db);
  const window = { today, last: addDays(today, DAYS_AHEAD) };
  return request.cursor.kind === 'fill'
    ? fillPage(db, session, window, request.cursor)
    : changesSince(db, session, window, request.cursor.seq, request.through);
}

/** A new phone is filled job by job; whatever changes meanwhile follows by the feed. */
async function fillPage(
  db: EntityManager,
  session: Session,
  window: Window,
  cursor: Extract<Cursor, { kind: 'fill' }>,
): Promise<PullAnswer> {
  const seq = cursor.seq ?? (await lastNumber(db));
  const wanted = (await idsInScope(db, session, window)).filter((id) => id > (cursor.after ?? ''));
  const page = wanted.slice(0, JOBS_A_PAGE);
  const more = wanted.length > page.length;
  const after = page.at(-1) ?? cursor.after;
  const bundle = await bundleJobs(db, page);
  return {
    ...bundle,
    catalogues: cursor.after === null ? await allCatalogues(db) : [],
    people: await colleagues(db),
    gone: [],
    through: window.last,
    more,
    cursor: writeCursor(
      more && after !== null ? { kind: 'fill', seq, after } : { kind: 'at', seq },
    ),
  };
}

async function changesSince(
  db: EntityManager,
  session: Session,
  window: Window,
  since: number,
  through: string | null,
): Promise<PullAnswer> {
  const feed = await db.query<{ seq: string; kind: string; ref: string }[]>(
    `SELECT seq, kind, ref FROM feed WHERE seq > $1 ORDER BY seq LIMIT $2`,
    [since, FEED_ROWS_A_PAGE],
  );
  const more = feed.length === FEED_ROWS_A_PAGE;
  // Entries take numbers too, before their feed row: with the whole feed read, all of them count.
  const seq = Number(feed.at(-1)?.seq ?? since);
  const refs = (kind: string): string[] => [
    ...new Set(feed.filter((row) => row.kind === kind).map((row) => row.ref)),
  ];

  const inScope = await idsInScope(db, session, window);
  const scope = await findScope(db, inScope);
  const changedVisits = refs('visit');
  const newDays = scope.filter((job) => through !== null && job.day > through).map((job) => job.id);
  const changed = scope.filter((job) => changedVisits.includes(job.visit)).map((job) => job.id);
  const bundle = await bundleJobs(db, [...new Set([...changed, ...newDays])]);

  const sites = refs('site');
  const withSites = scope.filter((job) => sites.includes(job.site)).map((job) => job.id);
  const siteBundle = await findJobs(db, { id: In(withSites) });
  const bundled = new Set(bundle.jobs.map((job) => job.sheet.id));
  const sheets = refs('sheet').filter(
    (ref) => !bundled.has(ref) && scope.some((job) => job.sheet === ref),
  );
  const entries = await db.find(EntryRow, {
    where: { sheet: In(sheets), seq: MoreThan(String(since)) },
    order: { seq: 'ASC' },
  });
  const known = new Set(scope.map((job) => job.visit));
  return {
    ...bundle,
    sites: [...bundle.sites, ...siteBundle.map((job) => siteOf(job.site))],
    assets: [
      ...bundle.assets,
      ...(await assetsOf(
        db,
        siteBundle.map((job) => job.site.id),
      )),
    ],
    entries: [...bundle.entries, ...entries.map(receivedEntry)],
    catalogues: await cataloguesWith(db, refs('catalogue')),
    people: await colleagues(db),
    gone: changedVisits.filter((ref) => !known.has(ref)),
    through: window.last,
    more,
    cursor: writeCursor({ kind: 'at', seq }),
  };
}

interface ScopedJob {
  readonly id: string;
  readonly site: string;
  readonly sheet: string;
  readonly visit: string;
  readonly day: string;
}

async function findScope(db: EntityManager, ids: readonly string[]): Promise<ScopedJob[]> {
  const rows = await db.find(JobRow, {
    where: { id: In(ids) },
    relations: { site: true, sheet: true, visit: true },
  });
  return rows.map((row) => ({
    id: row.id,
    site: row.site.id,
    sheet: row.sheet.id,
    visit: row.visit.id,
    day: row.visit.day,
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
      { visit: { person, day: Between(addDays(today, -DAYS_BACK), last) } },
      { visit: { person }, state: 'returned' },
      {
        visit: {
          person,
          day: Between(addDays(today, -DAYS_UNFINISHED), addDays(today, -1)),
        },
        state: In(['under way', 'planned']),
      },
    ],
  });
  return rows.map((row) => row.id).sort();
}

type Bundle = Pick<
  PullAnswer,
  'visits' | 'jobs' | 'sites' | 'templates' | 'entries' | 'series' | 'earlier' | 'assets'
>;

/** Jobs with all that is needed to do them with no network. */
async function bundleJobs(db: EntityManager, ids: readonly string[]): Promise<Bundle> {
  if (ids.length === 0)
    return {
      visits: [],
      jobs: [],
      sites: [],
      templates: [],
      entries: [],
      series: [],
      earlier: [],
      assets: [],
    };
  const rows = await findJobs(db, { id: In(ids) });
  const sites = new Map(rows.map((row) => [row.site.id, siteOf(row.site)]));
  const entries = await db.find(EntryRow, {
    where: { sheet: In(rows.map((row) => row.sheet.id)) },
    order: { seq: 'ASC' },
  });
  const series = [];
  const earlier = [];
  for (const row of rows) {
    series.push(...(await earlierReadings(db, row.site.id, row.template, row.sheet.id)));
    const offered = await earlierAnswers(db, row);
    if (offered) earlier.push(offered);
  }
  return {
    visits: rows.map((row) => visitOf(row.visit, row.id)),
    jobs: rows.map(jobOf),
    sites: [...sites.values()],
    templates: await findVersions(
      db,
      rows.map((row) => row.sheet.version),
    ),
    entries: entries.map(receivedEntry),
    series,
    earlier,
    assets: await assetsOf(db, [...sites.keys()]),
  };
}

const receivedEntry = (row: EntryRow): PullAnswer['entries'][number] => ({
  body: row.body,
  receivedAt: row.receivedAt.toISOString(),
});

async function colleagues(db: EntityManager): Promise<PullAnswer['people']> {
  const rows = await db.find(PersonRow, { order: { name: 'ASC' } });
  return rows.map(({ id, name }) => ({ id, name }));
}

async function lastNumber(db: EntityManager): Promise<number> {
  const rows = await db.query<{ last: string }[]>(`SELECT last FROM feed_counter`);
  return Number(rows[0]?.last ?? 0);
}
