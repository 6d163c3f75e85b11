import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { mkdir, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sha256Hex } from '@ant-trail/core/log';
import { pino } from 'pino';
import { backUp, bringBack } from '../../../scripts/house/backup.mjs';
import { openCluster } from '../../../scripts/house/cluster.mjs';
import { prepareDatabase } from '../../../scripts/house/serve.mjs';
import { readConfig } from '../src/config.ts';
import { openServer } from '../src/server.ts';
import { asEntry, Caller, entryOf, openOffice, PASSWORD } from './support/office.ts';
import { pull } from './support/pulled.ts';

test('a backup is brought back into a fresh cluster with all there was, and phones are filled anew', async () => {
  const office = await openOffice();
  const org = await office.newOrganisation('backed-up');
  const technician = await office.signIn(org.emails.technician);
  const one = entryOf(org, { value: 47 });
  await technician.push(asEntry(one));
  const picture = Buffer.from('the bytes of a picture');
  const sha256 = sha256Hex(picture);
  const place = path.join(office.filesDir, 'media', org.id, sha256.slice(0, 2));
  await mkdir(place, { recursive: true });
  await writeFile(path.join(place, sha256), picture);
  await office.data.transaction(async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
    await db.query(
      `INSERT INTO media (org_id, sha256, type, bytes, by) VALUES ($1, $2, 'image/png', 22, $3)`,
      [org.id, sha256, org.people.technician],
    );
  });
  const before = await pull(technician);

  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-backup-'));
  chmodSync(dir, 0o755);
  const folder = path.join(dir, 'kept');
  const owner = new URL(process.env['TEST_OWNER_URL'] ?? '');
  owner.pathname = new URL(office.databaseUrl).pathname;
  await backUp({ ownerUrl: owner.href, filesDir: office.filesDir }, folder);
  await expect(backUp({ ownerUrl: owner.href, filesDir: office.filesDir }, folder)).rejects.toThrow(
    'is not empty',
  );
  // What comes after the backup is not in it, though the phone was told that it arrived.
  await technician.push(asEntry(entryOf(org, { value: 48, seen: [one.id] })));
  const ahead = await pull(technician, before.cursor);
  await office.close();

  const cluster = await openCluster(path.join(dir, 'fresh'), { fast: true });
  try {
    await bringBack(cluster, folder);
    await prepareDatabase(cluster, { demo: false });
    const server = await openServer(
      readConfig({
        PORT: '0',
        DATABASE_URL: cluster.appUrl,
        FILES_DIR: cluster.filesDir,
        REPORT_WORKER: process.env['TEST_REPORT_WORKER'],
        TABLE_WORKER: process.env['TEST_TABLE_WORKER'],
        FOLD_WORKER: process.env['TEST_FOLD_WORKER'],
        ORDER_WORKER: process.env['TEST_ORDER_WORKER'],
      }),
      pino({ level: 'silent' }),
    );
    const url = `http://127.0.0.1:${server.port}`;
    const signedIn = await fetch(`${url}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: org.emails.technician, password: PASSWORD }),
    });
    const again = new Caller(url, signedIn.headers.getSetCookie()[0]?.split(';')[0] ?? '');
    const filled = await pull(again, ahead.cursor);
    expect(filled.visits).toEqual([org.visit]);
    expect(filled.of('entry').map(({ body }) => body)).toEqual([one]);
    // Numbers go on from there: what is new is not missed.
    await again.push(asEntry(entryOf(org, { value: 49, seen: [one.id] })));
    expect((await pull(again, filled.cursor)).of('entry')).toHaveLength(1);
    const photo = await fetch(`${url}/api/media/${sha256}`, { headers: { cookie: again.cookie } });
    expect(Buffer.from(await photo.arrayBuffer())).toEqual(picture);
    await server.close();
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}, 90_000);
