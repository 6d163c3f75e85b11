import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { inOrganisation } from '../../database/tenancy.ts';
import { sendLater, type Queue } from '../../queue/queue.ts';
import { makeFollowUp } from './follow-up.ts';

/** Where sheets wait for what follows them. */
export const FOLLOW_UPS = 'follow-up';
const FollowUpTask = z.object({ organisation: z.string(), sheet: z.string(), by: z.string() });
type FollowUpTask = z.infer<typeof FollowUpTask>;

/** Has what follows a sheet planned once the caller's transaction has gone through. */
export const queueFollowUp = (queue: Queue, db: EntityManager, task: FollowUpTask): Promise<void> =>
  sendLater(queue, db, FOLLOW_UPS, task);

export async function workOffFollowUps(queue: Queue, data: DataSource): Promise<void> {
  await queue.work(FOLLOW_UPS, { pollingIntervalSeconds: 1 }, async (tasks) => {
    for (const { data: given } of tasks) {
      const task = FollowUpTask.safeParse(given);
      if (task.success)
        await inOrganisation(data, task.data.organisation, (db) =>
          makeFollowUp(db, task.data.organisation, task.data, new Date()),
        );
    }
  });
}
