import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';

/**
 * Notes in which cluster this database lies. Found in another one it was restored from a backup:
 * transactions are counted anew there, and phones may have heard what the backup does not know. So
 * a new epoch begins: phones keep what they have not sent, and are filled anew.
 */
export async function noteWhereItLies(data: DataSource): Promise<void> {
  const [here] = await data.query<{ cluster: string }[]>(
    `SELECT system_identifier::text AS cluster FROM pg_control_system()`,
  );
  const [noted] = await data.query<{ cluster: string }[]>(`SELECT cluster FROM house.place`);
  if (!here || noted?.cluster === here.cluster) return;
  await data.transaction(async (db) => {
    if (noted) await beginEpoch(db);
    await db.query(
      `INSERT INTO house.place (cluster) VALUES ($1)
       ON CONFLICT (one) DO UPDATE SET cluster = excluded.cluster`,
      [here.cluster],
    );
  });
}

/** Has every phone be filled anew: numbers of the feed so far mean nothing any more. */
export async function beginEpoch(db: Pick<DataSource, 'query'>): Promise<void> {
  await db.query(`DELETE FROM feed`);
  await db.query(`UPDATE entry SET tx = 0 WHERE tx <> 0`);
  await db.query(
    `INSERT INTO feed_state (org_id, epoch, floor) SELECT id, $1, 0 FROM organisation
     ON CONFLICT (org_id) DO UPDATE SET epoch = excluded.epoch, floor = 0`,
    [randomUUID()],
  );
}
