import type { EntityManager } from 'typeorm';

const ROWS_AT_ONCE = 2_000;

/**
 * Puts many rows, which all have the same columns, into a table by few statements. The names of table
 * and columns are the program's own.
 */
export async function insertAll(
  db: EntityManager,
  table: string,
  rows: readonly Readonly<Record<string, unknown>>[],
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first).join(', ');
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await db.query(
      `INSERT INTO ${table} (${columns})
       SELECT ${columns} FROM jsonb_populate_recordset(null::${table}, $1::jsonb)`,
      [JSON.stringify(rows.slice(from, from + ROWS_AT_ONCE))],
    );
}
