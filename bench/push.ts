import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Client } from 'pg';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import { freePort, openCluster } from '../scripts/house/cluster.mjs';
import { prepareDatabase, startServer, stopServer } from '../scripts/house/serve.mjs';
import { show } from './measure.ts';

const ENTRIES = 5_000;
const BATCH = 200;

/** Pushes entries to the real server over loopback, as a phone does; beside it, plain inserts. */
export async function benchPush(): Promise<void> {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-bench-'));
  chmodSync(dir, 0o755);
  const cluster = await openCluster(dir);
  try {
    await prepareDatabase(cluster);
    const port = await freePort();
    const server = await startServer(cluster, { port, client: false });
    const base = `http://127.0.0.1:${port}`;
    const signedIn = await fetch(`${base}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'imke@tarnhollow.example', password: 'walk-the-trail' }),
    });
    const me = (await signedIn.json()) as { person: { id: string } };
    const cookie = signedIn.headers.getSetCookie()[0]?.split(';')[0] ?? '';
    const pulled = (await (await fetch(`${base}/api/pull`, { headers: { cookie } })).json()) as {
      changes: { kind: string; body: { state: string; sheet: { id: string } } }[];
    };
    const jobs = pulled.changes.filter(({ kind }) => kind === 'job').map(({ body }) => body);
    const sheets = jobs.filter(({ state }) => state === 'planned').map(({ sheet }) => sheet.id);
    const entries = Array.from({ length: ENTRIES }, (_, i): Entry => ({
      id: timeOrderedId(Date.now() + i, randomBytes(16)),
      sheet: sheets[Math.floor(i / BATCH) % sheets.length] ?? '',
      path: 'brake1_temp',
      kind: 'answer',
      value: 20 + (i % 40),
      unit: 'Cel',
      seen: [],
      by: me.person.id,
      device: '11111111-1111-4111-8111-111111111111',
      at: new Date(Date.now() + i).toISOString(),
      prev: null,
    }));
    const from = performance.now();
    for (let i = 0; i < ENTRIES; i += BATCH) {
      const operations = entries.slice(i, i + BATCH).map((body) => ({ kind: 'entry', body }));
      const answer = await fetch(`${base}/api/push`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({ operations }),
      });
      const { receipts } = (await answer.json()) as {
        receipts: { outcome: string; reason?: string }[];
      };
      const refused = receipts.find((receipt) => receipt.outcome !== 'received');
      if (refused) throw new Error(`not received: ${refused.reason}`);
    }
    const ours = performance.now() - from;
    await pushesAtOnce(base, cookie, sheets, me.person.id);
    await stopServer(server);
    const peer = await plainInserts(cluster.ownerUrl, entries);
    show(
      `push of ${ENTRIES} entries, ${BATCH} at a time`,
      ours,
      `the same rows by plain INSERT, one transaction a batch: ${peer.toFixed(0)} ms; ours, checked and kept, projected afterwards: ${(ours / peer).toFixed(1)} ×, ${Math.round((ENTRIES / ours) * 1000)} a second`,
    );
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

const PUSHES = 300;
const SENDERS = 12;

/** Many phones of one organisation, each sending an answer at a time into sheets that are long by now. */
async function pushesAtOnce(
  base: string,
  cookie: string,
  sheets: readonly string[],
  by: string,
): Promise<void> {
  let sent = 0;
  const send = async (): Promise<void> => {
    while (sent < PUSHES) {
      const turn = sent++;
      const body: Entry = {
        id: timeOrderedId(Date.now() + 60_000 + turn, randomBytes(16)),
        sheet: sheets[turn % sheets.length] ?? '',
        ...{ path: 'brake1_temp', kind: 'answer', value: 40, unit: 'Cel', seen: [], by },
        device: '11111111-1111-4111-8111-111111111112',
        at: new Date().toISOString(),
        prev: null,
      };
      const answer = await fetch(`${base}/api/push`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({ operations: [{ kind: 'entry', body }] }),
      });
      if (!answer.ok) throw new Error(`push: ${answer.status}`);
    }
  };
  const from = performance.now();
  await Promise.all(Array.from({ length: SENDERS }, send));
  const took = performance.now() - from;
  show(
    `${PUSHES} pushes of one organisation, ${SENDERS} at once`,
    took,
    `${Math.round((PUSHES / took) * 1000)} pushes a second, while what was pushed before is projected; aim: 50`,
  );
}

async function plainInserts(url: string, entries: readonly Entry[]): Promise<number> {
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query('CREATE TABLE plain (id uuid PRIMARY KEY, body jsonb)');
  const from = performance.now();
  for (let i = 0; i < entries.length; i += BATCH) {
    await client.query('BEGIN');
    for (const entry of entries.slice(i, i + BATCH))
      await client.query('INSERT INTO plain VALUES ($1, $2)', [entry.id, entry]);
    await client.query('COMMIT');
  }
  const took = performance.now() - from;
  await client.end();
  return took;
}
