import type { DataSource, EntityManager } from 'typeorm';

/**
 * Runs work in one transaction that can see and touch only the rows of one organisation.
 * This is the only way the application reaches tables.
 */
export function inOrganisation<Result>(
  data: DataSource,
  organisation: string,
  work: (db: EntityManager) => Promise<Result>,
): Promise<Result> {
  return data.transaction('READ COMMITTED', async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [organisation]);
    return work(db);
  });
}
