import type { Told } from '@ant-trail/core/sheet';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { inOrganisation } from '../../database/tenancy.ts';
import { sendLater, type Queue } from '../../queue/queue.ts';
import { makeFollowUp } from './follow-up.ts';

/** Where sheets wait for what follows them. */
export const FOLLOW_UPS = 'follow-up';
const FollowUpTask = z.object({ organisation: z.string(), sheet: z.string(), by: z.string() });
type FollowUpTask = z.infer<typeof FollowUpTask>;

/** Says what a sheet tells the one that follows it; null when it is not here. */
export type Teller = (organisation: string, sheet: string) => Promise<Told | null>;

/** Has what follows a sheet planned once the caller's transaction has gone through. */
export const queueFollowUp = (queue: Queue, db: EntityManager, task: FollowUpTask): Promise<void> =>
  sendLater(queue, db, FOLLOW_UPS, task);

export async function workOffFollowUps(
  queue: Queue,
  data: DataSource,
  tell: Teller,
): Promise<void> {
  await queue.work(FOLLOW_UPS, { pollingIntervalSeconds: 1 }, async (tasks) => {
    for (const { data: given } of tasks) {
      const task = FollowUpTask.safeParse(given);
      if (task.success) await planWhatFollows(data, tell, task.data);
    }
  });
}

/** What the sheet says is read between two transactions: no connection waits for a worker. */
async function planWhatFollows(
  data: DataSource,
  tell: Teller,
  { organisation, ...task }: FollowUpTask,
): Promise<void> {
  const told = await tell(organisation, task.sheet);
  if (!told) return;
  await inOrganisation(data, organisation, (db) =>
    makeFollowUp(db, organisation, { ...task, told }, new Date()),
  );
}
