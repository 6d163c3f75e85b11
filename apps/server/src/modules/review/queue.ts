import type { QueueQuery } from '@ant-trail/contract/review';
import { In, type EntityManager } from 'typeorm';
import { listPage, patternsOf, type Order } from '../../database/list-page.ts';
import { SheetRow } from '../planning/entities.ts';
import { findJobs, jobOf } from '../planning/jobs.ts';
import { titleOfSheet } from '../planning/title-of-sheet.ts';
import { visitFor } from '../planning/visit-for.ts';

const counted = (what: string): string => `least((h.summary->>'${what}')::int, 9)`;
/** What `needOfEyes` of the core computes, the larger first. */
const EYES = {
  sql: `-((h.summary->>'worst')::int * 1000 + ${counted('disagreements')} * 100
          + ${counted('alerts')} * 10 + ${counted('editedAfterFinish')})`,
  holds: 'int',
} as const;
const WAITING = { sql: `coalesce(h.summary->>'finishedAt', '')`, holds: 'text' } as const;
const ID = { sql: 'h.id', holds: 'uuid' } as const;
const ORDERS: Record<QueueQuery['order'], Order['columns']> = {
  eyes: [EYES, WAITING, ID],
  waiting: [WAITING, ID],
};

/** Finished sheets that wait to be read, a page at a time. */
export async function listQueue(db: EntityManager, asked: QueueQuery) {
  const query = db
    .createQueryBuilder(SheetRow, 'h')
    .innerJoin('h.job', 'j')
    .where(`h.summary->>'stage' = 'finished' AND j.decision IS DISTINCT FROM 'cancelled'`);
  if (asked.reader)
    query.andWhere('(j.reader_id IS NULL OR j.reader_id = :reader)', { reader: asked.reader });
  if (asked.site) query.andWhere('j.site_id = :site', { site: asked.site });
  if (asked.template) query.andWhere('h.template_id = :template', { template: asked.template });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(j.words LIKE :word${at} OR h.title ILIKE :word${at}
        OR j.site_id IN (SELECT w.id FROM site w WHERE w.words LIKE :word${at})
        OR j.id IN (SELECT v.job_id FROM visit v JOIN person p ON p.id = v.person_id
                    WHERE p.words LIKE :word${at}))`,
      { [`word${at}`]: pattern },
    );
  const page = await listPage(
    db,
    query,
    { columns: ORDERS[asked.order], descending: false },
    // What waits is found by its own index, and there is never much of it.
    { ...asked, dear: true },
  );
  const found = await db.query<{ job: string }[]>(
    `SELECT DISTINCT job_id AS job FROM sheet WHERE id = ANY ($1)`,
    [page.ids],
  );
  const jobs = await findJobs(db, { id: In(found.map(({ job }) => job)) });
  const items = new Map(
    jobs.flatMap((row) => row.sheets.map((sheet) => [sheet.id, { row, sheet }] as const)),
  );
  const rows = page.ids.flatMap((id) => {
    const item = items.get(id);
    if (!item) return [];
    const { row, sheet } = item;
    return [
      {
        sheet: id,
        job: { ...jobOf(row), title: titleOfSheet(row, sheet) },
        siteName: row.site.name,
        person: visitFor(row, sheet).person,
        summary: sheet.summary,
        finishedAt: sheet.summary.finishedAt,
      },
    ];
  });
  return { ...page, rows };
}
