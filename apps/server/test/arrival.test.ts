import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type { ArrivalState, RecentOpenings } from '@ant-trail/contract/arrival';
import type { JobCard } from '@ant-trail/contract/planning';
import { timeOrderedId } from '@ant-trail/core/log';
import { deriveKey, readBytes, readPlaceCode, unseal } from '@ant-trail/core/sealed';
import { numberOfId, sayTagNumber, tagNumber } from '@ant-trail/core/tags';
import type { z } from 'zod';
import { codesOn } from './support/codes-on-paper.ts';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';
import { pull } from './support/pulled.ts';

const WORDS = 'Alarm code Q47-11Z, key safe behind the gutter: 0815';
/** No part of these may be read anywhere before somebody is there. */
// With their signs: four digits alone stand in a hash now and then.
const TELLTALE = ['Q47-11Z,', ': 0815', 'gutter', 'Alarm code'];

let office: Office;
let org: Organisation;
let manager: Caller;
let reviewer: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, reviewer, technician } = await office.newTeam('arrival'));
  const { status } = await write(WORDS, 0);
  expect(status).toBe(200);
});
afterAll(() => office.close());

const write = (words: string, after: number, who = manager) =>
  who.call('PUT', `/api/sites/${org.site}/arrival`, { words, after });
const state = async (): Promise<ArrivalState> =>
  (await manager.call('GET', `/api/sites/${org.site}/arrival`)).body as ArrivalState;

async function printedCode(): Promise<string> {
  const response = await fetch(`${office.url}/api/sites/${org.site}/arrival/code`, {
    method: 'POST',
    headers: { cookie: manager.cookie, 'content-type': 'application/json' },
    body: '{}',
  });
  const [found] = await codesOn(new Uint8Array(await response.arrayBuffer()), 150);
  return found?.code ?? '';
}

async function openedWith(code: string): Promise<string | null> {
  const [sealed] = (await pull(technician)).of('arrival seal');
  const read = readPlaceCode(code);
  if (!sealed || read?.id !== sealed.code) return null;
  const { id: site, version } = sealed;
  const codeKey = await deriveKey(read.key, site, 'arrival details by the code at the place');
  const key = await unseal(codeKey, sealed.key, `key of arrival ${site} ${version}`);
  const bytes = key === null ? null : readBytes(key, 32);
  return bytes && unseal(bytes, sealed.words, `arrival ${site} ${version}`);
}

const visitNow = async (person: string): Promise<string> => {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: org.template, title: 'Look', instructions: '' },
    ...{ day: new Date().toISOString().slice(0, 10), windowFrom: null, windowTo: null },
    ...{ start: 480, minutes: 30, recipients: [], person },
  });
  return (body as JobCard).visits[0]?.id ?? '';
};
const step = (visit: string, kind: string) => ({
  kind: 'visit event',
  body: {
    ...{ id: timeOrderedId(Date.now(), randomBytes(16)), visit, kind, by: org.people.technician },
    ...{ at: new Date().toISOString(), fix: null, distance: null },
    ...(kind === 'turned back' ? { reason: 'Locked' } : {}),
  },
});
const ask = (visit: string, body: object, who = technician) =>
  who.call('POST', `/api/visits/${visit}/opening`, { fix: null, reason: '', ...body });

test('neither the database, nor what a phone has, nor any route tells before somebody is there', async () => {
  await visitNow(org.people.technician);
  const page = await pull(technician);
  expect(page.of('arrival seal')).toMatchObject([{ id: org.site, version: 1 }]);
  const everything = await office.data.transaction(async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
    const tables = await db.query<{ name: string }[]>(
      `SELECT relname AS name FROM pg_class WHERE relkind = 'r'
         AND relnamespace = 'public'::regnamespace AND has_table_privilege(oid, 'SELECT')`,
    );
    const texts: string[] = [];
    for (const { name } of tables)
      for (const { row } of await db.query<{ row: string }[]>(
        `SELECT to_jsonb(t)::text AS row FROM "${name}" t`,
      ))
        texts.push(row);
    return texts.join('\n');
  });
  expect(everything).toContain('arrival');
  const told = [everything, JSON.stringify(page.changes), JSON.stringify(await state())];
  for (const route of office.routes.filter(({ method }) => method === 'get'))
    for (const who of [manager, technician]) {
      const at = route.path
        .replace('/sites/:id', `/sites/${org.site}`)
        .replace('/visits/:id', `/visits/${org.visit}`)
        .replace('/sheets/:id', `/sheets/${org.sheet}`)
        .replace('/jobs/:id', `/jobs/${org.job}`)
        .replace(':format', 'csv');
      told.push(JSON.stringify((await who.call('GET', at)).body));
    }
  for (const text of told) for (const word of TELLTALE) expect(text).not.toContain(word);
  // The key lies beside the files, for the server alone.
  const key = await readFile(path.join(office.filesDir, 'seal.key'), 'utf8');
  expect(everything).not.toContain(key.trim());
});

test('the code that hangs there opens it with no network, and the office hears of it', async () => {
  const code = await printedCode();
  expect(await openedWith(code)).toBe(WORDS);
  expect(await openedWith(code.replace(/.$/, (sign) => (sign === 'A' ? 'B' : 'A')))).toBeNull();
  const opened = {
    kind: 'arrival opened',
    body: {
      ...{ id: timeOrderedId(Date.now(), randomBytes(16)), site: org.site, visit: org.visit },
      ...{ version: 1, by: org.people.technician, at: new Date().toISOString() },
    },
  };
  expect((await technician.push(opened))[0]?.outcome).toBe('received');
  expect((await technician.push(opened))[0]?.outcome).toBe('already had');
  expect((await state()).openings[0]).toMatchObject({ how: 'code', by: org.people.technician });
  const anothers = {
    ...opened,
    body: { ...opened.body, id: timeOrderedId(1, randomBytes(16)), by: org.people.manager },
  };
  expect((await technician.push(anothers))[0]?.outcome).toBe('refused');
});

test('without the code the office opens it: at the place by itself, elsewhere against a reason that it sees', async () => {
  const visit = await visitNow(org.people.technician);
  expect((await ask(visit, {})).status).toBe(422);
  const far = { fix: { lat: 60, lon: 0, accuracy: 10 } };
  expect((await ask(visit, far)).status).toBe(422);
  expect((await ask(visit, { ...far, reason: 'The sheet is torn off' })).body).toEqual({
    words: WORDS,
  });
  const { body: place } = await manager.call('GET', `/api/sites/${org.site}`);
  const { lat, lon } = place as { lat: number; lon: number };
  const here = { fix: { lat, lon, accuracy: 20 } };
  expect((await ask(visit, here)).body).toEqual({ words: WORDS });
  expect((await ask(visit, { reason: '0000 0000' })).status).toBe(422);
  const number = sayTagNumber(numberOfId(readPlaceCode(await printedCode())?.id ?? ''));
  expect((await ask(visit, { reason: tagNumber(1) })).status).toBe(422);
  expect((await ask(visit, { reason: number })).body).toEqual({ words: WORDS });
  const { openings } = await state();
  expect(openings.slice(0, 3).map(({ how }) => how)).toEqual(['number', 'position', 'reason']);
  const recent = (await reviewer.call('GET', '/api/openings')).body as z.infer<
    typeof RecentOpenings
  >;
  expect(recent.openings.map(({ reason }) => reason)).toContain('The sheet is torn off');
});

test('once the visit is over, or somebody else’s, it is closed', async () => {
  const visit = await visitNow(org.people.technician);
  await technician.push(step(visit, 'set off'), step(visit, 'arrived'));
  expect((await ask(visit, { reason: 'there' })).status).toBe(200);
  await technician.push(step(visit, 'turned back'));
  expect((await ask(visit, { reason: 'back' })).status).toBe(409);
  await technician.push(step(visit, 'set off'), step(visit, 'arrived'));
  expect((await ask(visit, { reason: 'again' })).status).toBe(200);
  await technician.push(step(visit, 'left'));
  expect((await ask(visit, { reason: 'once more' })).status).toBe(409);
  const stranger = await office.newTeam('strangers');
  expect((await ask(visit, { reason: 'x' }, stranger.technician)).status).toBe(404);
  const others = await visitNow(org.people.manager);
  expect((await ask(others, { reason: 'mine' })).status).toBe(404);
});

test('at the desk those who may read it, which is noted; others write, or neither', async () => {
  const read = (who: Caller) => who.call('POST', `/api/sites/${org.site}/arrival/reading`);
  expect((await read(manager)).body).toEqual({ words: WORDS });
  expect((await state()).openings[0]).toMatchObject({ how: 'office', by: org.people.manager });
  expect((await read(reviewer)).status).toBe(403);
  expect((await read(technician)).status).toBe(403);
  expect((await write('x', 1, reviewer)).status).toBe(403);
});

test('written anew, the code that hangs there still opens it; two who write at once do not overwrite each other', async () => {
  const code = await printedCode();
  expect((await write('stale', 0)).status).toBe(409);
  const both = await Promise.all([write('New words', 1), write('Other words', 1)]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  expect(await openedWith(code)).toMatch(/^(New|Other) words$/);
  expect(await openedWith(await printedCode())).toMatch(/words$/);
});

test('taken off, nothing of it can be read, here or on phones; who read it stays, and the code opens what comes after', async () => {
  const at = (part: string): string => `/api/sites/${org.site}/arrival${part}`;
  const before = await state();
  expect(before.isThere).toBe(true);
  const stale = await manager.call('POST', at('/removal'), { after: before.version - 1 });
  expect(stale.status).toBe(409);
  expect((await technician.call('POST', at('/removal'), { after: before.version })).status).toBe(
    403,
  );
  const { cursor } = await pull(technician);
  const off = await manager.call('POST', at('/removal'), { after: before.version });
  expect(off.body).toMatchObject({ isThere: false, version: before.version + 1 });
  expect((off.body as ArrivalState).openings).toEqual(before.openings);
  for (const part of ['/reading', '/code'])
    expect((await manager.call('POST', at(part), {})).status).toBe(404);
  expect((await manager.call('POST', at('/removal'), { after: before.version + 1 })).status).toBe(
    404,
  );
  const gone = (await pull(technician, cursor)).of('arrival seal');
  expect(gone).toMatchObject([{ id: org.site, withdrawn: true }]);
  const again = await manager.call('PUT', at(''), { words: 'Anew', after: before.version + 1 });
  expect(again.body).toMatchObject({ isThere: true, version: before.version + 2 });
  expect((await manager.call('POST', at('/reading'))).body).toEqual({ words: 'Anew' });
});
