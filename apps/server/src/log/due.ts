import type { DataSource, EntityManager } from 'typeorm';

export const DUE_CHANNEL = 'trail_due';

/**
 * Notes that what is projected from these sheets is no longer current. In the order of their ids,
 * so that two transactions never wait for each other in a circle.
 */
export async function markDue(
  db: EntityManager,
  organisation: string,
  sheets: Iterable<string>,
): Promise<void> {
  const ids = [...new Set(sheets)].sort();
  if (ids.length === 0) return;
  await db.query(
    `INSERT INTO sheet_due (org_id, sheet_id) SELECT $1, unnest($2::uuid[])
     ON CONFLICT (org_id, sheet_id) DO UPDATE SET mark = own_transaction()`,
    [organisation, ids],
  );
  await db.query(`SELECT pg_notify($1, $2)`, [DUE_CHANNEL, organisation]);
}

/** The organisations in which some sheet is due. */
export async function organisationsDue(data: DataSource): Promise<string[]> {
  const rows = await data.query<{ id: string }[]>(`SELECT organisations_due() AS id`);
  return rows.map(({ id }) => id);
}
