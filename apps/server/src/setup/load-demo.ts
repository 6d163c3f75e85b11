import { randomUUID } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ROLES } from '@ant-trail/core/accounts';
import { prepareForAny } from '@ant-trail/core/sheet';
import { DEMO_PASSWORD, drawPictures, Scenario } from '@ant-trail/demo';
import type { DataSource } from 'typeorm';
import { insertAll } from '../database/insert-all.ts';
import { inOrganisation } from '../database/tenancy.ts';
import { writeDetails } from '../modules/arrival/details.ts';
import { OfficeKey } from '../modules/arrival/office-key.ts';
import { loadDocuments } from './load-documents.ts';
import { hashPassword } from '../modules/accounts/password.ts';

/** On the island it is morning when the demo begins, whatever the clock of this machine says. */
const MORNING_HOUR = 9;

/** Loads the demo organisation. Gives its id. */
export async function loadDemo(data: DataSource, filesDir: string, now: Date): Promise<string> {
  await prepareForAny();
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
    for (const { table, rows } of tables) await insertAll(db, table, rows);
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
  await loadDocuments(data, filesDir, organisation, now);
  await sealSome(data, filesDir, organisation);
  await beginAnother(data, timeZone);
  return organisation;
}

/** What is only for whoever is there, at some places of the island. */
const SEALED = [
  [
    'Gannet Head, upper cableway station',
    'Alarm: 3 8 2 6, then the green key.\nKey 14 opens the cabinet on the left.',
  ],
  [
    'Harbour clinic',
    'Key safe behind the rain barrel: 0 5 1 7.\nSafe word on the telephone: guillemot.',
  ],
  ['Upper cistern', 'Hatch lock: 2 2 9 0. Ring the harbour before you open it.'],
] as const;

async function sealSome(data: DataSource, filesDir: string, organisation: string): Promise<void> {
  const own = await new OfficeKey(filesDir).of(organisation);
  await inOrganisation(data, organisation, async (db) => {
    for (const [name, words] of SEALED) {
      const [site] = await db.query<{ id: string }[]>(`SELECT id FROM site WHERE name = $1`, [
        name,
      ]);
      if (site) await writeDetails(db, organisation, own, site.id, { words, after: 0 });
    }
  });
}

/** Beside the island there is an organisation that begins today and has nothing yet. */
async function beginAnother(data: DataSource, timeZone: string): Promise<void> {
  const [organisation, branch, person] = [randomUUID(), randomUUID(), randomUUID()];
  await inOrganisation(data, organisation, async (db) => {
    await db.query(`INSERT INTO organisation (id, name, time_zone) VALUES ($1, $2, $3)`, [
      ...[organisation, 'Selkie Holm Works', timeZone],
    ]);
    await db.query(`INSERT INTO branch (org_id, id, name) VALUES ($1, $2, 'Holm yard')`, [
      ...[organisation, branch],
    ]);
    await db.query(
      `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
       VALUES ($1, $2, $3, 'Nell Farrow', 'nell@selkieholm.example', '', $4, '', $5)`,
      [organisation, person, branch, ROLES, await hashPassword(DEMO_PASSWORD)],
    );
  });
}
