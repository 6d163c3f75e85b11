import type { SaidOfThing } from '@ant-trail/core/story';
import type { EntityManager } from 'typeorm';

/** Keeps what a sheet says of each thing, in place of what it said before. */
export async function keepSaid(
  db: EntityManager,
  organisation: string,
  sheet: string,
  said: readonly SaidOfThing[],
): Promise<void> {
  await db.query(`DELETE FROM sheet_thing WHERE sheet_id = $1`, [sheet]);
  await db.query(
    `INSERT INTO sheet_thing (org_id, sheet_id, asset_id, said)
     SELECT $1, $2, (said->>'asset')::uuid, said FROM jsonb_array_elements($3::jsonb) said`,
    [organisation, sheet, JSON.stringify(said)],
  );
}
