import PgBoss from 'pg-boss';
import type { EntityManager } from 'typeorm';

/** Work that is done later, kept in the database until it is. */
export type Queue = PgBoss;

export async function openQueue(
  url: string,
  lines: readonly string[],
  onError: (error: Error) => void,
): Promise<Queue> {
  const queue = new PgBoss({ connectionString: url, max: 2, schema: 'queue' });
  queue.on('error', onError);
  await queue.start();
  for (const line of lines) await queue.createQueue(line);
  return queue;
}

/** Has something sent within the caller's transaction: it is done only when that goes through. */
export const within = (db: EntityManager): { db: PgBoss.Db } => ({
  db: {
    executeSql: async (text, values) => ({ rows: await rowsOf(db, text, values) }),
  },
});

async function rowsOf(db: EntityManager, text: string, values: unknown[]): Promise<unknown[]> {
  const result: unknown = await db.query(text, values);
  return Array.isArray(result) ? (result as unknown[]) : [];
}
