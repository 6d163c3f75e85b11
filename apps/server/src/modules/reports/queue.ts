import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { sendLater, type Queue } from '../../queue/queue.ts';

/** Where reports wait to be drawn and mailed. */
export const REPORTS = 'mail-report';
const ReportTask = z.object({
  organisation: z.string(),
  sheet: z.string(),
  /** Id of the entry that approved it. */
  approval: z.string(),
});
export type ReportTask = z.infer<typeof ReportTask>;

/** Asks for a report within the caller's transaction: it is made only when that goes through. */
export async function queueReport(
  queue: Queue,
  db: EntityManager,
  task: ReportTask,
): Promise<void> {
  await sendLater(queue, db, REPORTS, task);
}

export async function workOffReports(
  queue: Queue,
  work: (task: ReportTask) => Promise<void>,
): Promise<void> {
  await queue.work(REPORTS, { pollingIntervalSeconds: 1 }, async (tasks) => {
    for (const task of tasks) {
      const read = ReportTask.safeParse(task.data);
      // One that an older server queued names no approval: the report is made when it is asked for.
      if (read.success) await work(read.data);
    }
  });
}
