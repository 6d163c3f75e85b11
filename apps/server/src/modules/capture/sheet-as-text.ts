import type { EntityManager } from 'typeorm';
import type { SheetAsText } from '../../log/fold-tasks.ts';
import { findVersions } from '../templates/versions.ts';

export interface SheetText {
  readonly sheet: SheetAsText;
  /** How many entries it has. */
  readonly count: number;
}

/** A sheet's template and log, ready for a worker; null when it is not here. */
export async function sheetAsText(db: EntityManager, sheet: string): Promise<SheetText | null> {
  const [row] = await db.query<{ version_id: string; entries: string; count: string }[]>(
    `SELECT s.version_id,
            coalesce((SELECT '[' || string_agg(body::text, ',' ORDER BY id) || ']'
                      FROM entry WHERE sheet_id = s.id), '[]') AS entries,
            (SELECT count(*) FROM entry WHERE sheet_id = s.id) AS count
     FROM sheet s WHERE s.id = $1`,
    [sheet],
  );
  const [version] = row ? await findVersions(db, [row.version_id]) : [];
  if (!row || !version) return null;
  return {
    sheet: { version: version.id, body: version.body, entries: row.entries },
    count: Number(row.count),
  };
}
