import PgBoss from 'pg-boss';
import type { EntityManager } from 'typeorm';
import { QueueDatabase } from './queue-database.ts';

const LAST_TASKS_MS = 5_000;

/** Work that is done later, kept in the database until it is. */
export type Queue = PgBoss;

export interface OpenQueue {
  readonly queue: Queue;
  /** Lets what is being done end, within a few seconds. */
  readonly close: () => Promise<void>;
}

export async function openQueue(
  url: string,
  lines: readonly string[],
  onError: (error: Error) => void,
): Promise<OpenQueue> {
  const database = new QueueDatabase(url, onError);
  const queue = new PgBoss({ db: database, schema: 'queue' });
  queue.on('error', onError);
  await queue.start();
  for (const line of lines) await queue.createQueue(line);
  return {
    queue,
    close: async () => {
      await queue.stop({ graceful: true, timeout: LAST_TASKS_MS });
      await database.close();
    },
  };
}

/** What fails is tried again, each time after a longer rest. */
export const TRIES = { retryLimit: 5, retryDelay: 5, retryBackoff: true } as const;

/** Has something done once the caller's transaction has gone through, and only then. */
export async function sendLater(
  queue: Queue,
  db: EntityManager,
  line: string,
  task: object,
): Promise<void> {
  await queue.send(line, task, {
    ...TRIES,
    db: { executeSql: async (text, values) => ({ rows: await rowsOf(db, text, values) }) },
  });
}

async function rowsOf(db: EntityManager, text: string, values: unknown[]): Promise<unknown[]> {
  const result: unknown = await db.query(text, values);
  return Array.isArray(result) ? (result as unknown[]) : [];
}
