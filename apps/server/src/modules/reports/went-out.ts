import type { EntityManager } from 'typeorm';

/** Approvals of a sheet whose reports went out, to whomever, by the ids of their entries. */
export async function wentOut(db: EntityManager, sheet: string): Promise<ReadonlySet<string>> {
  const rows = await db.query<{ id: string }[]>(
    `SELECT entry_id AS id FROM approval
     WHERE sheet_id = $1 AND (mailed_at IS NOT NULL OR mailed_to <> '[]')`,
    [sheet],
  );
  return new Set(rows.map(({ id }) => id));
}
