import { entryHash, type Entry } from '@ant-trail/core/log';
import type { DataSource } from 'typeorm';

const AT_ONCE = 1_000;

/** Gives entries that older versions took in the hash by which what follows them names them. */
export async function fillHashes(data: DataSource): Promise<void> {
  for (;;) {
    const rows = await data.query<{ org_id: string; id: string; body: Entry }[]>(
      `SELECT org_id, id, body FROM entry WHERE hash IS NULL LIMIT $1`,
      [AT_ONCE],
    );
    if (rows.length === 0) return;
    await data.query(
      `UPDATE entry e SET hash = given.hash
       FROM jsonb_to_recordset($1::jsonb) AS given (org_id uuid, id uuid, hash text)
       WHERE e.org_id = given.org_id AND e.id = given.id`,
      [JSON.stringify(rows.map(({ org_id, id, body }) => ({ org_id, id, hash: entryHash(body) })))],
    );
  }
}
