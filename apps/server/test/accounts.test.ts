import { inOrganisation } from '../src/database/tenancy.ts';
import { Caller, openOffice, PASSWORD, type Office, type Organisation } from './support/office.ts';

let office: Office;
let org: Organisation;
beforeAll(async () => {
  office = await openOffice();
  org = await office.newOrganisation('own');
});
afterAll(() => office.close());

const signIn = (email: string, password: string): Promise<Response> =>
  fetch(`${office.url}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password }),
  });

test('a person signs in, is known, signs out and is no longer known', async () => {
  const response = await signIn(org.emails.manager.toUpperCase(), PASSWORD);
  expect(response.status).toBe(200);
  const [cookie = ''] = response.headers.getSetCookie();
  expect(cookie).toMatch(/HttpOnly/);
  expect(cookie).toMatch(/SameSite=Strict/);
  const caller = new Caller(office.url, cookie.split(';')[0] ?? '');
  expect((await caller.call('GET', '/api/me')).body).toMatchObject({
    person: { email: org.emails.manager, roles: ['manager'] },
    organisation: { name: 'own' },
  });
  expect((await caller.call('POST', '/api/sign-out')).status).toBe(204);
  expect((await caller.call('GET', '/api/me')).status).toBe(401);
});

test('a wrong password and an unknown address get the same words', async () => {
  const wrong = await signIn(org.emails.manager, 'no');
  const unknown = await signIn('nobody@own.example', 'no');
  expect([wrong.status, unknown.status]).toEqual([401, 401]);
  expect(await wrong.json()).toEqual(await unknown.json());
});

test('after ten wrong tries a person has to wait', async () => {
  const tries = [];
  for (let i = 0; i < 12; i++) tries.push((await signIn(org.emails.reviewer, 'no')).status);
  expect(tries.slice(0, 10)).toEqual(Array(10).fill(401));
  expect(tries.slice(10)).toEqual([429, 429]);
  // Somebody else is not kept out by it.
  expect((await signIn(org.emails.technician, PASSWORD)).status).toBe(200);
});

test('passwords are kept by Argon2id with at least the OWASP minimum', async () => {
  const rows = await office.data.query<{ password_hash: string }[]>(
    `SELECT * FROM find_sign_in($1)`,
    [org.emails.manager],
  );
  const [, memory = '0', passes = '0'] =
    /^\$argon2id\$v=19\$m=(\d+),t=(\d+),p=1\$/.exec(rows[0]?.password_hash ?? '') ?? [];
  expect(Number(memory)).toBeGreaterThanOrEqual(19 * 1024);
  expect(Number(passes)).toBeGreaterThanOrEqual(2);
});

test('a change asked for by another site’s page is not carried out', async () => {
  const caller = await office.signIn(org.emails.technician);
  const response = await fetch(`${office.url}/api/sign-out`, {
    method: 'POST',
    headers: { cookie: caller.cookie, origin: 'https://elsewhere.example' },
  });
  expect(response.status).toBe(403);
  expect((await caller.call('GET', '/api/me')).status).toBe(200);
});

describe('a browser has one session for all its windows', () => {
  const asked = (cookie: string, person: string, at = '/api/me', method = 'GET') =>
    fetch(`${office.url}${at}`, {
      method,
      headers: {
        ...{ cookie, 'x-ant-trail-person': person, origin: office.url },
        ...{ 'tus-resumable': '1.0.0', 'upload-length': '1' },
      },
    });

  test('what is meant for somebody else than who is signed in is refused, on every route', async () => {
    const caller = await office.signIn(org.emails.technician);
    const own = await asked(caller.cookie, org.people.technician);
    expect(own.status).toBe(200);
    for (const route of office.routes) {
      const at = route.path.replace(/:\w+/g, 'x');
      const response = await asked(
        caller.cookie,
        org.people.manager,
        at,
        route.method.toUpperCase(),
      );
      expect([
        route.path,
        response.status,
        ((await response.json()) as { code: string }).code,
      ]).toEqual([...[route.path, 401, 'someone-else']]);
    }
    for (const [at, method] of [
      ['/uploads', 'POST'],
      ['/api/sign-out', 'POST'],
    ] as const)
      expect((await asked(caller.cookie, org.people.manager, at, method)).status).toBe(401);
    expect((await asked(caller.cookie, org.people.technician)).status).toBe(200);
  });

  test('somebody who signs in to go on is signed in as themselves only', async () => {
    const again = (as: string) =>
      fetch(`${office.url}/api/sign-in`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email: org.emails.manager, password: PASSWORD, as }),
      });
    const other = await again(org.people.technician);
    expect([other.status, other.headers.getSetCookie()]).toEqual([409, []]);
    expect((await again(org.people.manager)).status).toBe(200);
  });
});

test('a session in use does not end: it gets its length again, once a day at most', async () => {
  const caller = await office.signIn(org.emails.manager);
  const ask = async (): Promise<string[]> =>
    (
      await fetch(`${office.url}/api/me`, { headers: { cookie: caller.cookie } })
    ).headers.getSetCookie();
  expect(await ask()).toEqual([]);
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE session SET expires_at = now() + interval '10 minutes'`),
  );
  const [renewed = ''] = await ask();
  expect(renewed.split(';')[0]).toBe(caller.cookie);
  expect(renewed).toMatch(/Max-Age=2592000/);
  expect(await ask()).toEqual([]);
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE session SET expires_at = now() - interval '1 second'`),
  );
  expect((await caller.call('GET', '/api/me')).status).toBe(401);
});
