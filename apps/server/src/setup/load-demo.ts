import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { loadAllKits } from '@ant-trail/core/trades';
import { DEMO_PASSWORD, drawPictures, Scenario } from '@ant-trail/demo';
import type { DataSource, EntityManager } from 'typeorm';
import { inOrganisation } from '../database/tenancy.ts';
import { hashPassword } from '../modules/accounts/password.ts';

/** On the island it is morning when the demo begins, whatever the clock of this machine says. */
const MORNING_HOUR = 9;

/** Loads the demo organisation. Gives its id. */
export async function loadDemo(data: DataSource, filesDir: string, now: Date): Promise<string> {
  await loadAllKits();
  const pictures = await drawPictures();
  let offsetHours = MORNING_HOUR - now.getUTCHours();
  if (offsetHours < -12) offsetHours += 24;
  // IANA counts these zones westwards: Etc/GMT-3 is three hours ahead of UTC.
  const timeZone =
    offsetHours === 0 ? 'UTC' : `Etc/GMT${offsetHours > 0 ? '-' : '+'}${Math.abs(offsetHours)}`;
  const scenario = new Scenario({
    now,
    timeZone,
    offsetHours,
    passwordHash: await hashPassword(DEMO_PASSWORD),
    pictures,
  });
  const tables = scenario.build();
  const { organisation } = scenario;
  await inOrganisation(data, organisation, async (db) => {
    for (const { table, rows } of tables) await insertRows(db, table, rows);
    for (const { sha256, bytes } of Object.values(pictures).flat()) {
      const place = path.join(filesDir, 'media', organisation, sha256.slice(0, 2));
      await mkdir(place, { recursive: true });
      await writeFile(path.join(place, sha256), bytes);
      await db.query(
        `INSERT INTO media (org_id, sha256, type, bytes, by)
         SELECT $1, $2, 'image/jpeg', $3, id FROM person LIMIT 1 ON CONFLICT DO NOTHING`,
        [organisation, sha256, bytes.length],
      );
    }
  });
  return organisation;
}

const ROWS_AT_ONCE = 2_000;

async function insertRows(
  db: EntityManager,
  table: string,
  rows: readonly Record<string, unknown>[],
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first).join(', ');
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await db.query(
      `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(null::${table}, $1::jsonb)`,
      [JSON.stringify(rows.slice(from, from + ROWS_AT_ONCE))],
    );
}
