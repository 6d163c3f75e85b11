import type { RecordsQuery, SheetRecord } from '@ant-trail/contract/records';
import type { Recorded } from '@ant-trail/core/records';
import type { Severity } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { inOrderOf, listPage, type Order } from '../../database/list-page.ts';
import { recordsLike } from './records-like.ts';

const ID = { sql: 's.id', holds: 'uuid' } as const;
const ORDERS: Record<'day' | 'place', Order['columns']> = {
  day: [{ sql: 'j.day', holds: 'date' }, ID],
  place: [{ sql: 'p.name', holds: 'text' }, ID],
};

/** Finished sheets of a template that are looked for, a page at a time. */
export async function listRecords(
  db: EntityManager,
  asked: RecordsQuery,
): Promise<{ rows: SheetRecord[]; next: string | null; total: number | null }> {
  const by = asked.order.endsWith('place') ? 'place' : 'day';
  const order = { columns: ORDERS[by], descending: asked.order.startsWith('-') };
  const dear = Boolean(asked.text ?? asked.where?.length ?? asked.worst);
  const page = await listPage(db, recordsLike(db, asked), order, { ...asked, dear });
  return { ...page, rows: inOrderOf(page.ids, await recordsWith(db, page.ids)) };
}

interface Read extends Omit<SheetRecord, 'fields'> {
  readonly record: Recorded;
}

async function recordsWith(db: EntityManager, ids: readonly string[]): Promise<SheetRecord[]> {
  const rows = await db.query<Read[]>(
    `SELECT s.id, j.id AS job, p.id AS site, p.name AS "siteName", a.name AS thing, j.day::text AS day,
       s.summary->>'stage' AS stage, (s.summary->>'worst')::int AS worst, s.record,
       ARRAY(SELECT DISTINCT w.name FROM visit v JOIN person w ON w.id = v.person_id
             WHERE v.job_id = j.id AND (s.person_id IS NULL OR s.person_id = v.person_id)
             ORDER BY w.name) AS people
     FROM sheet s JOIN job j ON j.id = s.job_id JOIN site p ON p.id = j.site_id
       LEFT JOIN asset a ON a.id = s.asset_id
     WHERE s.id = ANY ($1)`,
    [[...ids]],
  );
  return rows.map(({ record, ...row }) => ({
    ...row,
    fields: Object.fromEntries(
      Object.entries(record).map(([key, { t, bad }]) => [key, bad ? { t, bad } : { t }]),
    ),
  }));
}

export interface RecordPlace {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly lat: number;
  readonly lon: number;
  readonly count: number;
  readonly worst: Severity;
}

/** Where the records lie that are looked for: a place each, with how many there are. */
export function placesOfRecords(
  db: EntityManager,
  asked: Omit<RecordsQuery, 'order' | 'most'>,
): Promise<RecordPlace[]> {
  return recordsLike(db, asked)
    .select('p.id', 'id')
    .addSelect('p.name', 'name')
    .addSelect('p.client', 'about')
    .addSelect('p.lat', 'lat')
    .addSelect('p.lon', 'lon')
    .addSelect('count(*)::int', 'count')
    .addSelect(`max((s.summary->>'worst')::int)`, 'worst')
    .groupBy('p.id')
    .orderBy('p.name')
    .getRawMany<RecordPlace>();
}

/** How many finished sheets there are of each template, the most first. */
export function finishedByTemplate(
  db: EntityManager,
): Promise<{ readonly template: string; readonly count: number }[]> {
  return db.query(
    `SELECT template_id AS template, count(*)::int AS count FROM sheet
     WHERE summary->>'stage' IN ('finished', 'approved')
     GROUP BY template_id ORDER BY count DESC, template_id`,
  );
}
