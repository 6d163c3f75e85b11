import { createHash } from 'node:crypto';
import { Writable } from 'node:stream';
import { setTimeout as sleep } from 'node:timers/promises';
import { EventSource } from 'eventsource';
import { Client } from 'pg';
import { pino } from 'pino';
import { readConfig } from '../src/config.ts';
import { inOrganisation } from '../src/database/tenancy.ts';
import { Folding } from '../src/log/folding.ts';
import { SignInTries } from '../src/modules/accounts/sign-in-tries.ts';
import { openServer } from '../src/server.ts';
import { TooMuchWork } from '../src/turns/worker-line.ts';
import {
  asEntry,
  Caller,
  entryOf,
  openOffice,
  PASSWORD,
  TEMPLATE,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  org = await office.newOrganisation(`stands${++count}`);
});

const until = async (what: string, holds: () => boolean | Promise<boolean>): Promise<void> => {
  for (let tries = 0; tries < 400; tries++) {
    if (await holds()) return;
    await sleep(25);
  }
  throw new Error(`never: ${what}`);
};

/** A desk that listens; counts what it hears. */
function listen(caller: Caller) {
  const heard = { changes: 0, opens: 0, ends: 0 };
  const events = new EventSource(`${office.url}/api/live`, {
    fetch: (input, init) =>
      fetch(input, { ...init, headers: { ...init.headers, cookie: caller.cookie } }),
  });
  events.addEventListener('open', () => heard.opens++);
  events.addEventListener('change', () => heard.changes++);
  events.addEventListener('error', () => heard.ends++);
  return { heard, close: () => events.close() };
}

/** As a restart of PostgreSQL does it: every connection of this database is cut. */
async function cutConnections(): Promise<void> {
  const client = new Client({ connectionString: process.env['TEST_OWNER_URL'] });
  await client.connect();
  await client.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1 AND pid <> pg_backend_pid()`,
    [new URL(office.databaseUrl).pathname.slice(1)],
  );
  await client.end();
}

test('desks hear of changes again after the database was away, and projections go on', async () => {
  const technician = await office.signIn(org.emails.technician);
  const manager = await office.signIn(org.emails.manager);
  const desk = listen(manager);
  await until('the desk listens', () => desk.heard.opens > 0);
  await technician.push(asEntry(entryOf(org)));
  await until('it hears', () => desk.heard.changes > 0);
  for (let round = 0; round < 2; round++) {
    await cutConnections();
    await until('the server listens again', async () => {
      const response = await fetch(`${office.url}/api/ready`);
      return response.status === 200;
    });
    desk.heard.changes = 0;
    await until('something gets through', async () => {
      const { status } = await technician.call('POST', '/api/push', {
        operations: [asEntry(entryOf(org, { value: 50 + round }))],
      });
      return status === 200;
    });
    await until('the desk hears of it', () => desk.heard.changes > 0);
    await office.settled();
  }
  desk.close();
}, 40_000);

test('a stream ends with its session, and nobody holds any number of them', async () => {
  const manager = await office.signIn(org.emails.manager);
  const desks = Array.from({ length: 9 }, () => listen(manager));
  await until('all have listened', () => desks.every(({ heard }) => heard.opens > 0));
  const metrics = await (await fetch(`${office.url}/api/metrics`)).text();
  const [, streams] = /^live_streams (\d+)$/m.exec(metrics) ?? [];
  expect(Number(streams)).toBeLessThanOrEqual(6);
  for (const desk of desks.slice(1)) desk.close();
  const other = listen(await office.signIn(org.emails.reviewer));
  await manager.call('POST', '/api/sign-out');
  await until('the stream of the one who left has ended', async () => {
    const text = await (await fetch(`${office.url}/api/metrics`)).text();
    return /^live_streams 1$/m.test(text);
  });
  for (const desk of desks) desk.close();
  other.close();
});

test('what is due when the server stops is projected when it starts again', async () => {
  const technician = await office.signIn(org.emails.technician);
  await technician.push(asEntry(entryOf(org)));
  // As if it had been killed right after taking these in.
  await inOrganisation(office.data, org.id, async (db) => {
    await db.query(`UPDATE sheet SET summary = summary || '{"answered": 0}', folded = 0`);
    await db.query(`INSERT INTO sheet_due (org_id, sheet_id) VALUES ($1, $2)`, [org.id, org.sheet]);
  });
  const second = await openServer(
    readConfig({
      PORT: '0',
      DATABASE_URL: office.databaseUrl,
      FILES_DIR: office.filesDir,
      REPORT_WORKER: process.env['TEST_REPORT_WORKER'],
      TABLE_WORKER: process.env['TEST_TABLE_WORKER'],
      FOLD_WORKER: process.env['TEST_FOLD_WORKER'],
      ORDER_WORKER: process.env['TEST_ORDER_WORKER'],
    }),
    pino({ level: 'silent' }),
  );
  await office.settled();
  const [row] = await inOrganisation(office.data, org.id, (db) =>
    db.query<{ answered: number }[]>(`SELECT (summary->>'answered')::int AS answered FROM sheet`),
  );
  expect(row?.answered).toBe(1);
  await second.close();
});

test('a server that stops lets requests under way end', async () => {
  const own = await openServer(
    readConfig({
      PORT: '0',
      DATABASE_URL: office.databaseUrl,
      FILES_DIR: office.filesDir,
      REPORT_WORKER: process.env['TEST_REPORT_WORKER'],
      TABLE_WORKER: process.env['TEST_TABLE_WORKER'],
      FOLD_WORKER: process.env['TEST_FOLD_WORKER'],
      ORDER_WORKER: process.env['TEST_ORDER_WORKER'],
    }),
    pino({ level: 'silent' }),
  );
  const reviewer = await office.signIn(org.emails.reviewer);
  const at = `http://127.0.0.1:${own.port}/api/sheets/${org.sheet}/report.pdf`;
  const asked = fetch(at, { headers: { cookie: reviewer.cookie, connection: 'close' } });
  await sleep(60);
  const closed = own.close();
  const response = await asked;
  expect(response.status).toBe(200);
  expect((await response.arrayBuffer()).byteLength).toBeGreaterThan(1_000);
  await closed;
  await expect(fetch(at)).rejects.toThrow();
});

test('a sheet that takes too long to fold is given up, and the next one is folded', async () => {
  const worker = process.env['TEST_FOLD_WORKER'] ?? '';
  const impatient = new Folding(worker, 1);
  const sheet = { version: org.version, body: TEMPLATE, entries: '[]' };
  await expect(impatient.do(org.id, 'project', { sheet, people: [], about: null })).rejects.toThrow(
    TooMuchWork,
  );
  await impatient.close();
  const patient = new Folding(worker);
  expect(
    (await patient.do(org.id, 'project', { sheet, people: [], about: null })).summary.stage,
  ).toBe('untouched');
  await patient.close();
});

test('thirteen long requests of one organisation hold up nobody of another', async () => {
  const other = await office.newOrganisation(`stands-other${count}`);
  const busy = await office.signIn(org.emails.manager);
  const calm = await office.signIn(other.emails.manager);
  const content = Buffer.from(
    Array.from({ length: 20_000 }, (_, i) => `${i}${';a name'.repeat(12)}`).join('\n'),
  ).toString('base64');
  const answered: string[] = [];
  const long = Array.from({ length: 13 }, () =>
    busy.call('POST', '/api/tables', { name: 'x.csv', content }).then(({ status }) => {
      answered.push(`long ${status}`);
    }),
  );
  await sleep(20);
  for (let i = 0; i < 5; i++) expect((await calm.call('GET', '/api/me')).status).toBe(200);
  answered.push('calm');
  await Promise.all(long);
  // Most of the long ones were still waiting for the one thread when all five short ones were through.
  expect(answered.indexOf('calm')).toBeLessThan(8);
  for (const each of answered) expect(each).toMatch(/^(calm|long (200|429))$/);
});

describe('signing in', () => {
  const signIn = (email: string, password: string, more: object = {}, headers: object = {}) =>
    fetch(`${office.url}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify({ email, password, ...more }),
    });

  test('somebody who works for two organisations chooses; one can’t block the other’s address', async () => {
    const second = await office.newOrganisation(`stands-second${count}`);
    await inOrganisation(office.data, second.id, (db) =>
      db.query(`UPDATE person SET email = $2 WHERE id = $1`, [
        second.people.manager,
        org.emails.manager,
      ]),
    );
    const asked = await signIn(org.emails.manager, PASSWORD);
    const { choose } = (await asked.json()) as { choose: { id: string; name: string }[] };
    expect(choose.map(({ id }) => id).sort()).toEqual([org.id, second.id].sort());
    expect(asked.headers.getSetCookie()).toEqual([]);
    const chosen = await signIn(org.emails.manager, PASSWORD, { organisation: second.id });
    expect(await chosen.json()).toMatchObject({ organisation: { id: second.id } });
    expect((await signIn(org.emails.manager, 'no', { organisation: second.id })).status).toBe(401);
    const elsewhere = await office.newOrganisation(`stands-third${count}`);
    const foreign = { organisation: elsewhere.id };
    expect((await signIn(org.emails.manager, PASSWORD, foreign)).status).toBe(401);
  });

  test('an account tried from everywhere is closed to strangers, not to its owner', () => {
    let now = 0;
    const tries = new SignInTries(() => now);
    for (let i = 0; i < 40; i++) tries.begin(`10.0.0.${i}`, 'owner@x.example', false);
    expect(() => tries.begin('10.0.1.1', 'owner@x.example', false)).toThrow('Too many tries');
    expect(() => tries.begin('10.0.1.1', 'OWNER@x.example', false)).toThrow('Too many tries');
    tries.begin('10.9.9.9', 'owner@x.example', true).succeeded();
    tries.begin('10.0.1.1', 'other@x.example', false);
    now += 11 * 60_000;
    tries.begin('10.0.1.1', 'owner@x.example', false);
  });

  test('one source that tries many accounts has to wait for all of them', () => {
    const tries = new SignInTries(() => 0);
    for (let i = 0; i < 60; i++) tries.begin('10.0.0.1', `p${i}@x.example`, false);
    expect(() => tries.begin('10.0.0.1', 'next@x.example', false)).toThrow('Too many tries');
    tries.begin('10.0.0.2', 'next@x.example', false);
  });

  test('a browser somebody signed in from is known, and its cookie opens nothing', async () => {
    const response = await signIn(org.emails.manager, PASSWORD);
    const cookies = response.headers.getSetCookie();
    const device = cookies.find((each) => each.startsWith('trail_device=')) ?? '';
    expect(device).toMatch(/HttpOnly; SameSite=Strict/i);
    const caller = new Caller(office.url, device.split(';')[0] ?? '');
    expect((await caller.call('GET', '/api/me')).status).toBe(401);
    const token = (device.split(';')[0] ?? '').split('=')[1] ?? '';
    const stored = await inOrganisation(office.data, org.id, (db) =>
      db.query<{ token_hash: string }[]>(`SELECT token_hash FROM known_device`),
    );
    expect(stored.map(({ token_hash }) => token_hash)).toContain(
      createHash('sha256').update(token).digest('hex'),
    );
  });
});

test('no secret stands in the log of a request that failed', async () => {
  let log = '';
  const sink = new Writable({
    write(chunk: Buffer, _encoding, done) {
      log += chunk.toString();
      done();
    },
  });
  const own = await openServer(
    readConfig({
      PORT: '0',
      DATABASE_URL: office.databaseUrl,
      FILES_DIR: office.filesDir,
      REPORT_WORKER: process.env['TEST_REPORT_WORKER'],
      TABLE_WORKER: process.env['TEST_TABLE_WORKER'],
      FOLD_WORKER: process.env['TEST_FOLD_WORKER'],
      ORDER_WORKER: process.env['TEST_ORDER_WORKER'],
    }),
    pino({ level: 'info' }, sink),
  );
  const reviewer = await office.signIn(org.emails.reviewer);
  const owner = new URL(process.env['TEST_OWNER_URL'] ?? '');
  owner.pathname = new URL(office.databaseUrl).pathname;
  const database = new Client({ connectionString: owner.href });
  await database.connect();
  await database.query(`ALTER TABLE catalogue RENAME TO catalogue_away`);
  const response = await fetch(`http://127.0.0.1:${own.port}/api/catalogues`, {
    headers: { cookie: reviewer.cookie, authorization: 'Bearer a-secret-key' },
  });
  await database.query(`ALTER TABLE catalogue_away RENAME TO catalogue`);
  await database.end();
  expect(response.status).toBe(500);
  await own.close();
  const id = response.headers.get('x-request-id') ?? '';
  expect(log).toContain('request failed');
  expect(log).toContain(id);
  expect(log).not.toContain(reviewer.cookie.split('=')[1]);
  expect(log).not.toContain('a-secret-key');
});

test('by default people come by HTTPS only wherever others than this machine can come', () => {
  const needed = {
    ...{
      DATABASE_URL: 'x',
      FILES_DIR: 'x',
      REPORT_WORKER: 'x',
      TABLE_WORKER: 'x',
      FOLD_WORKER: 'x',
      ORDER_WORKER: 'x',
    },
  };
  expect(readConfig({ ...needed, HOST: '0.0.0.0' }).secure).toBe(true);
  expect(readConfig({ ...needed, HOST: '127.0.0.1' }).secure).toBe(false);
  expect(readConfig({ ...needed, HOST: '0.0.0.0', SECURE: 'no' }).secure).toBe(false);
  expect(readConfig(needed).trustProxy).toBe('loopback');
});

test('health, readiness and figures are there; the figures for this machine alone', async () => {
  expect((await fetch(`${office.url}/api/health`)).status).toBe(200);
  expect(await (await fetch(`${office.url}/api/ready`)).json()).toEqual({
    ...{ ready: true, database: true, listening: true },
  });
  const text = await (await fetch(`${office.url}/api/metrics`)).text();
  expect(text).toMatch(
    /http_request_seconds_count\{method="GET",route="\/api\/ready",status="200"\}/,
  );
  const proxied = await fetch(`${office.url}/api/metrics`, {
    headers: { 'x-forwarded-for': '203.0.113.9' },
  });
  expect(proxied.status).toBe(404);
});

test('a pull goes on where it was though the server was cut off from its database', async () => {
  const technician = await office.signIn(org.emails.technician);
  const first = await pull(technician);
  await technician.push(asEntry(entryOf(org)));
  await cutConnections();
  await until(
    'it can be asked again',
    async () => (await technician.call('GET', '/api/me')).status === 200,
  );
  expect((await pull(technician, first.cursor)).of('entry')).toHaveLength(1);
});
