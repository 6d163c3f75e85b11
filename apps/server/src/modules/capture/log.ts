import { entryHash, type Entry } from '@ant-trail/core/log';
import { fold, readingsOf, summarise, type SheetState } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { announce, holdCounter, takeNumbers } from '../../database/feed.ts';
import { restate } from '../planning/jobs.ts';
import { registerFound } from '../register/register.ts';
import { findVersions, planOf } from '../templates/versions.ts';
import { EntryRow, SheetRow } from './entities.ts';
import type { JobRow } from '../planning/entities.ts';

export interface Appended {
  readonly fresh: ReadonlySet<string>;
  /** Entries whose id is known with other content: never taken over. */
  readonly clashing: ReadonlySet<string>;
}

/** Adds entries to the log, each exactly once, and brings the projections up to date. */
export async function appendEntries(
  db: EntityManager,
  organisation: string,
  entries: readonly Entry[],
): Promise<Appended> {
  await holdCounter(db, organisation);
  const known = await db.findBy(EntryRow, {
    id: In(entries.map((entry) => entry.id)),
  });
  const stored = new Map(known.map((row) => [row.id, entryHash(row.body)]));
  const fresh: Entry[] = [];
  const clashing = new Set<string>();
  for (const entry of entries) {
    const hash = stored.get(entry.id);
    if (hash === undefined) {
      fresh.push(entry);
      stored.set(entry.id, entryHash(entry));
    } else if (hash !== entryHash(entry)) clashing.add(entry.id);
  }
  if (fresh.length > 0) {
    const first = await takeNumbers(db, organisation, fresh.length);
    await db.query(
      `INSERT INTO entry (org_id, id, seq, sheet_id, body)
       SELECT $1, (body->>'id')::uuid, $2::bigint + ordinality - 1, (body->>'sheet')::uuid, body
       FROM jsonb_array_elements($3::jsonb) WITH ORDINALITY AS given (body, ordinality)`,
      [organisation, first, JSON.stringify(fresh)],
    );
    const sheets = [...new Set(fresh.map((entry) => entry.sheet))];
    for (const sheet of sheets) await refold(db, organisation, sheet);
    await announce(
      db,
      organisation,
      sheets.map((ref) => ({ kind: 'sheet', ref })),
    );
  }
  return { fresh: new Set(fresh.map((entry) => entry.id)), clashing };
}

export async function entriesOf(db: EntityManager, sheet: string): Promise<EntryRow[]> {
  return db.find(EntryRow, { where: { sheet }, order: { seq: 'ASC' } });
}

/** Rebuilds what is projected from a sheet's log: its summary, its readings, its job's state. */
export async function refold(db: EntityManager, organisation: string, id: string): Promise<void> {
  const sheet = await db.findOneOrFail(SheetRow, {
    where: { id },
    relations: { job: { site: true } },
  });
  const [version] = await findVersions(db, [sheet.version]);
  if (!version) return;
  const rows = await entriesOf(db, id);
  const state = fold(
    planOf(version),
    rows.map((row) => row.body),
  );
  await db.update(SheetRow, { id }, { summary: summarise(state) });
  await projectReadings(db, organisation, id, sheet.job, state);
  await registerFound(db, organisation, { sheet: id, site: sheet.job.site.id }, state);
  await restate(db, organisation, sheet.job.id);
}

async function projectReadings(
  db: EntityManager,
  organisation: string,
  sheet: string,
  job: JobRow,
  state: SheetState,
): Promise<void> {
  const readings = readingsOf(state);
  await db.query(`DELETE FROM reading WHERE sheet_id = $1`, [sheet]);
  await db.query(
    `INSERT INTO reading (org_id, sheet_id, site_id, template_id, key, at, value)
     SELECT $1, $2, $3, $4, key, at, value
     FROM jsonb_to_recordset($5::jsonb) AS r (key text, at timestamptz, value double precision)`,
    [organisation, sheet, job.site.id, job.template, JSON.stringify(readings)],
  );
}
