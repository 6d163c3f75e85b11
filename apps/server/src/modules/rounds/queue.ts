import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { inOrganisation } from '../../database/tenancy.ts';
import { sendLater, TRIES, type Queue } from '../../queue/queue.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { RoundRow } from './entities.ts';
import { makeAhead } from './make-ahead.ts';

/** Where rounds wait to be made ahead, and the clock that has all of them looked at. */
const MAKE = 'make-round';
const LOOK = 'look-at-rounds';
export const ROUNDS = [MAKE, LOOK] as const;
/** At every full quarter of an hour: a day begins at another moment in each time zone. */
const WHEN = '*/15 * * * *';

const RoundTask = z.object({ organisation: z.string(), round: z.string() });
type RoundTask = z.infer<typeof RoundTask>;

/** Has a round made ahead once the caller's transaction has gone through. */
export async function queueRound(queue: Queue, db: EntityManager, task: RoundTask): Promise<void> {
  await sendLater(queue, db, MAKE, task);
}

/** Has all rounds of an organisation made ahead once the caller's transaction has gone through. */
export async function queueAll(
  queue: Queue,
  db: EntityManager,
  organisation: string,
): Promise<void> {
  for (const { id } of await db.find(RoundRow, { select: { id: true }, where: { retired: false } }))
    await queueRound(queue, db, { organisation, round: id });
}

/** Has all rounds looked at now, and from now on by the clock. */
export async function lookAtRounds(queue: Queue): Promise<void> {
  await queue.schedule(LOOK, WHEN);
  await queue.send(LOOK, {}, TRIES);
}

export async function workOffRounds(
  queue: Queue,
  data: DataSource,
  log: Pick<Logger, 'error'>,
): Promise<void> {
  await queue.work(LOOK, { pollingIntervalSeconds: 1 }, async () => {
    for (const { id } of await data.query<{ id: string }[]>(`SELECT all_organisations() AS id`)) {
      const rounds = await inOrganisation(data, id, (db) =>
        db.find(RoundRow, { select: { id: true }, where: { retired: false } }),
      );
      for (const round of rounds)
        await queue.send(MAKE, { organisation: id, round: round.id }, TRIES);
    }
  });
  await queue.work(MAKE, { pollingIntervalSeconds: 1, batchSize: 5 }, async (tasks) => {
    for (const { data: given } of tasks) {
      const task = RoundTask.safeParse(given);
      if (task.success) await makeOne(data, task.data, log);
    }
  });
}

/** One round that can't be made holds up none of the others: why is shown at it. */
async function makeOne(
  data: DataSource,
  { organisation, round }: RoundTask,
  log: Pick<Logger, 'error'>,
): Promise<void> {
  try {
    await inOrganisation(data, organisation, (db) =>
      makeAhead(db, organisation, round, new Date()),
    );
  } catch (error) {
    log.error({ err: error, round }, 'a round could not be made ahead');
    const trouble =
      error instanceof Refusal
        ? error.message
        : 'It could not be planned ahead; it is tried again every quarter of an hour.';
    await inOrganisation(data, organisation, (db) =>
      db.update(RoundRow, { id: round }, { trouble }),
    );
  }
}
