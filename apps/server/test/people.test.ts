import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { PeopleAnswer, Person } from '@ant-trail/contract/accounts';
import type { JobsAnswer } from '@ant-trail/contract/planning/desk';
import type { z } from 'zod';
import { inOrganisation } from '../src/database/tenancy.ts';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let team: Team;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`people${++count}`);
  ({ manager } = team);
});

const draft = (over: object = {}): object => ({
  name: 'Ode Farrow',
  email: `ode@people${count}.example`,
  phone: '+00 1',
  roles: ['technician'],
  trade: 'ropes',
  credentials: [{ kind: 'Licence', number: 'L-1', issuer: 'Guild', expiresOn: '2031-02-03' }],
  ...over,
});

async function add(over: object = {}): Promise<Person> {
  const { status, body } = await manager.call('POST', '/api/people', draft(over));
  expect(status).toBe(200);
  return (body as { person: Person }).person;
}

const people = async (query = ''): Promise<z.infer<typeof PeopleAnswer>> =>
  (await manager.call('GET', `/api/people${query}`)).body as z.infer<typeof PeopleAnswer>;

/** The way in that the newest letter to an address tells. */
async function wayIn(email: string): Promise<string> {
  for (let tries = 0; tries < 200; tries++) {
    const found = await inOrganisation(office.data, team.org.id, (db) =>
      db.query<{ raw: Buffer }[]>(`SELECT raw FROM mail_message ORDER BY received_at DESC`),
    );
    const letter = found.map(({ raw }) => raw.toString()).find((raw) => raw.includes(email));
    const token = /invitation=3D([\w-]+(?:=\r\n[\w-]+)?)/.exec(letter ?? '')?.[1];
    if (token) return token.replace('=\r\n', '');
    await sleep(25);
  }
  throw new Error('no letter came');
}

const takeUp = async (token: string, password = 'a password of my own'): Promise<number> => {
  const response = await fetch(`${office.url}/api/invitations`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token, password }),
  });
  return response.status;
};

const signIn = async (email: string, password: string): Promise<number> => {
  const response = await fetch(`${office.url}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password }),
  });
  return response.status;
};

describe('somebody new', () => {
  test('is invited by mail, chooses a password once, and signs in with it', async () => {
    const person = await add();
    expect(person).toMatchObject({ joined: false, retired: false, trade: 'ropes' });
    expect(await signIn(person.email, 'a password of my own')).toBe(401);
    const token = await wayIn(person.email);
    expect(await takeUp(token, 'short')).toBe(400);
    const both = await Promise.all([takeUp(token), takeUp(token)]);
    expect(both.sort()).toEqual([200, 410]);
    expect(await signIn(person.email, 'a password of my own')).toBe(200);
    expect((await people('?text=ode')).rows).toMatchObject([{ id: person.id, joined: true }]);
  });

  test('has only the newest of the letters sent to them', async () => {
    const person = await add();
    const first = await wayIn(person.email);
    const { status } = await manager.call('POST', `/api/people/${person.id}/invitation`);
    expect(status).toBe(200);
    expect(await takeUp(first)).toBe(410);
    expect(await takeUp('made up')).toBe(410);
  });

  test('is written to alone: of the office only who invited them sees the letter', async () => {
    const person = await add();
    await wayIn(person.email);
    const seen = async (who: Caller): Promise<boolean> =>
      JSON.stringify((await who.call('GET', '/api/mail')).body).includes('invitation=');
    expect([await seen(manager), await seen(team.reviewer)]).toEqual([true, false]);
  });

  test('comes to the phones of colleagues by name', async () => {
    const { cursor } = await pull(team.technician);
    const person = await add();
    expect((await pull(team.technician, cursor)).of('person')).toEqual([
      { id: person.id, name: 'Ode Farrow', retired: false },
    ]);
  });

  test('needs an address of their own, a role and real days', async () => {
    await add();
    const again = await manager.call('POST', '/api/people', draft({ name: 'Other' }));
    expect(again).toMatchObject({ status: 409, body: { code: 'address-taken' } });
    for (const wrong of [
      { roles: [] },
      { roles: ['boss'] },
      { email: 'nowhere' },
      { name: ' ' },
      { credentials: [{ kind: 'x', number: '1', issuer: 'y', expiresOn: '2031-02-30' }] },
    ])
      expect(
        (await manager.call('POST', '/api/people', draft({ email: 'x@y.example', ...wrong })))
          .status,
      ).toBe(400);
  });
});

describe('changing people', () => {
  test('takes over what is said, credentials as a whole', async () => {
    const person = await add();
    const next = draft({ name: 'Ode Marl', credentials: [] });
    expect((await manager.call('PUT', `/api/people/${person.id}`, next)).body).toMatchObject({
      name: 'Ode Marl',
      credentials: [],
    });
  });

  test('nobody changes their own roles, or retires themselves', async () => {
    const own = (await manager.call('GET', `/api/people/${team.org.people.manager}`))
      .body as Person;
    const { name, email, phone, trade } = own;
    const same = { name, email, phone, trade, credentials: [] };
    const at = `/api/people/${own.id}`;
    expect(
      (await manager.call('PUT', at, { ...same, roles: ['manager', 'reviewer'] })).status,
    ).toBe(403);
    expect((await manager.call('PUT', at, { ...same, roles: ['manager'] })).status).toBe(200);
    expect((await manager.call('PUT', `${at}/retired`, { retired: true })).status).toBe(403);
  });

  test('only an administrator makes one, changes one, retires one or has their password chosen anew', async () => {
    const asAdministrator = { roles: ['administrator'], email: `adm@people${count}.example` };
    expect((await manager.call('POST', '/api/people', draft(asAdministrator))).status).toBe(403);
    const person = await add();
    await inOrganisation(office.data, team.org.id, (db) =>
      db.query(`UPDATE person SET roles = '{administrator}' WHERE id = $1`, [person.id]),
    );
    const at = `/api/people/${person.id}`;
    expect((await manager.call('PUT', at, draft())).status).toBe(403);
    expect((await manager.call('PUT', at, draft({ ...asAdministrator, name: 'Ode' }))).status).toBe(
      403,
    );
    expect((await manager.call('PUT', `${at}/retired`, { retired: true })).status).toBe(403);
    expect((await manager.call('POST', `${at}/invitation`)).status).toBe(403);
  });
});

describe('retiring', () => {
  test('ends what somebody was signed in to, gives back what lies ahead, and keeps what they did', async () => {
    const id = team.org.people.technician;
    const at = `/api/people/${id}/retired`;
    expect((await manager.call('PUT', at, { retired: true })).body).toMatchObject({
      retired: true,
    });
    expect((await team.technician.call('GET', '/api/me')).status).toBe(401);
    await expect(office.signIn(team.org.emails.technician)).rejects.toThrow(/do not go together/);
    expect((await people()).rows.map((each) => each.id)).not.toContain(id);
    expect((await people('?retired=yes')).rows.map((each) => each.id)).toEqual([id]);
    const jobs = (await manager.call('GET', '/api/jobs?person=nobody')).body as z.infer<
      typeof JobsAnswer
    >;
    expect(jobs.rows).toMatchObject([{ job: { id: team.org.job, state: 'draft' } }]);
    const plan = { person: id, day: '2031-01-01', start: 480, minutes: 45 };
    const planned = await manager.call('PUT', `/api/visits/${team.org.visit}/plan`, plan);
    expect(planned).toMatchObject({ status: 409, body: { code: 'retired' } });
    const names = (await manager.call('GET', '/api/people/names')).body as {
      people: { id: string }[];
    };
    expect(names.people.map((each) => each.id)).toContain(id);
    await manager.call('PUT', at, { retired: false });
    expect((await office.signIn(team.org.emails.technician)).cookie).not.toBe('');
  });

  test('a place is no longer offered, and nothing is planned there', async () => {
    const at = `/api/sites/${team.org.site}`;
    await manager.call('PUT', `${at}/retired`, { retired: true });
    const list = async (query = ''): Promise<unknown[]> =>
      ((await manager.call('GET', `/api/sites${query}`)).body as { rows: unknown[] }).rows;
    expect([await list(), await list('?retired=yes')]).toMatchObject([[], [{ retired: true }]]);
    const job = {
      ...{ site: team.org.site, template: team.org.template, title: 'Round', instructions: '' },
      ...{ day: '2031-01-01', windowFrom: null, windowTo: null, start: 480, minutes: 30 },
      ...{ recipients: [], person: null },
    };
    expect((await manager.call('POST', '/api/jobs', job)).status).toBe(409);
    expect(
      (await manager.call('PUT', `/api/sites/${randomUUID()}/retired`, { retired: true })).status,
    ).toBe(404);
    await manager.call('PUT', `${at}/retired`, { retired: false });
    expect((await manager.call('POST', '/api/jobs', job)).status).toBe(200);
  });
});
