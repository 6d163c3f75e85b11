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
