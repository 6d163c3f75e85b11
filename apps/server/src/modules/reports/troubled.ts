import type { TroubledReport } from '@ant-trail/contract/reports';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../refusals/refusal.ts';
import type { Queue } from '../../queue/queue.ts';
import { queueReport } from './queue.ts';

/** Reports of approved sheets that could not be made or sent, newest first. */
export async function troubledReports(db: EntityManager): Promise<TroubledReport[]> {
  const rows = await db.query<
    { sheet: string; title: string; site: string; trouble: string; at: Date }[]
  >(
    `SELECT a.sheet_id AS sheet, j.title, p.name AS site, a.trouble, a.approved_at AS at
     FROM approval a JOIN sheet s ON s.id = a.sheet_id JOIN job j ON j.id = s.job_id
       JOIN site p ON p.id = j.site_id
     WHERE a.trouble IS NOT NULL AND a.mailed_at IS NULL ORDER BY a.approved_at DESC LIMIT 100`,
  );
  return rows.map(({ at, ...row }) => ({ ...row, approvedAt: at.toISOString() }));
}

/** Has the report of a sheet's newest approval made and sent once more. */
export async function tryAgain(
  queue: Queue,
  db: EntityManager,
  organisation: string,
  sheet: string,
): Promise<void> {
  const [row] = await db.query<{ entry_id: string }[]>(
    `SELECT entry_id FROM approval WHERE sheet_id = $1 AND mailed_at IS NULL
     ORDER BY entry_id DESC LIMIT 1`,
    [sheet],
  );
  if (!row) throw notFound('A report that waits to be sent');
  await queueReport(queue, db, { organisation, sheet, approval: row.entry_id });
}
