import PgBoss from 'pg-boss';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';

const QUEUE = 'mail-report';
const ReportTask = z.object({
  organisation: z.string(),
  sheet: z.string(),
  /** Id of the entry that approved it. */
  approval: z.string(),
});
export type ReportTask = z.infer<typeof ReportTask>;

export type ReportQueue = PgBoss;

export async function openReportQueue(
  url: string,
  onError: (error: Error) => void,
): Promise<ReportQueue> {
  const boss = new PgBoss({ connectionString: url, max: 2, schema: 'queue' });
  boss.on('error', onError);
  await boss.start();
  await boss.createQueue(QUEUE);
  return boss;
}

/** Asks for a report within the caller's transaction: it is made only when that goes through. */
export async function queueReport(
  queue: ReportQueue,
  db: EntityManager,
  task: ReportTask,
): Promise<void> {
  await queue.send(QUEUE, task, {
    retryLimit: 5,
    retryDelay: 10,
    retryBackoff: true,
    db: {
      executeSql: async (text, values) => ({
        rows: await rowsOf(db, text, values),
      }),
    },
  });
}

async function rowsOf(db: EntityManager, text: string, values: unknown[]): Promise<unknown[]> {
  const result: unknown = await db.query(text, values);
  return Array.isArray(result) ? (result as unknown[]) : [];
}

export async function workOffReports(
  queue: ReportQueue,
  work: (task: ReportTask) => Promise<void>,
): Promise<void> {
  await queue.work(QUEUE, { pollingIntervalSeconds: 1 }, async (tasks) => {
    for (const task of tasks) {
      const read = ReportTask.safeParse(task.data);
      // One that an older server queued names no approval: the report is made when it is asked for.
      if (read.success) await work(read.data);
    }
  });
}
