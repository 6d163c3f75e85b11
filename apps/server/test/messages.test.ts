import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { JobCard } from '@ant-trail/contract/planning';
import type { MailMessage } from '@ant-trail/contract/reports';
import type { Site } from '@ant-trail/contract/sites';
import { timeOrderedId } from '@ant-trail/core/log';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
let visit: string;
const ANSA = { name: 'Ansa Fell', phone: '+999 55 26-88', email: 'quay@tarnhollow.example' };
const TODAY = new Date().toISOString().slice(0, 10);

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('messages'));
  const { body: site } = await manager.call('GET', `/api/sites/${org.site}`);
  const { name, client, number, address, lat, lon, access, hazards } = site as Site;
  const keeper = {
    name: 'Orrin Tully',
    role: 'keeper',
    phone: '',
    email: 'orrin@tarnhollow.example',
  };
  const put = await manager.call('PUT', `/api/sites/${org.site}`, {
    ...{ name, client, number, address, lat, lon, access, hazards },
    ...{ contacts: [{ ...ANSA, role: 'warden' }, keeper] },
  });
  expect(put.status).toBe(200);
  visit = await visitNow();
});
afterAll(() => office.close());

async function visitNow(): Promise<string> {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: org.template, title: 'Round', instructions: '', day: TODAY },
    ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
    person: org.people.technician,
  });
  return (body as JobCard).visits[0]?.id ?? '';
}

const word = (more: object = {}) => ({
  kind: 'on the way',
  body: {
    ...{ id: timeOrderedId(Date.now(), randomBytes(16)), visit, to: ANSA, minutes: 14 },
    ...{ by: org.people.technician, at: new Date().toISOString(), ...more },
  },
});
const outcomeOf = async (said: ReturnType<typeof word>, who = technician) =>
  (await who.push(said))[0]?.outcome;
const letters = async (): Promise<MailMessage[]> =>
  ((await manager.call('GET', '/api/mail')).body as { rows: MailMessage[] }).rows;
const toldTo = async (id: string): Promise<string | undefined> =>
  (await pull(technician)).of('told').find((told) => told.id === id)?.outcome;
async function until(isSo: () => Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 200; tries++) {
    if (await isSo()) return;
    await sleep(50);
  }
  throw new Error('it never came to be so');
}

test('whoever waits is told by text when somebody will be there, once', async () => {
  const said = word();
  expect(await outcomeOf(said)).toBe('received');
  expect(await outcomeOf(said)).toBe('already had');
  await until(async () => (await toldTo(said.body.id)) === 'sent');
  const found = await letters();
  expect(found).toHaveLength(1);
  expect(found[0]?.to).toEqual(['+999552688@text.ant-trail.example']);
  expect(found[0]?.text).toMatch(
    /is on the way to Site of messages and expects to be there at about \d\d:\d\d\./,
  );
  const { body } = said;
  expect((await pull(technician)).of('told')[0]).toMatchObject({
    ...{ visit, to: 'Ansa Fell', at: body.at },
    there: new Date(Date.parse(body.at) + 14 * 60_000).toISOString(),
  });
});

test('who has no telephone gets a letter', async () => {
  const to = { name: 'Orrin Tully', phone: '', email: 'orrin@tarnhollow.example' };
  const said = word({ to });
  await technician.push(said);
  await until(async () => (await toldTo(said.body.id)) === 'sent');
  expect((await letters())[0]?.to).toEqual(['orrin@tarnhollow.example']);
});

test('a word that comes after its own hour, or once somebody is there, is not sent', async () => {
  const before = (await letters()).length;
  const late = word({ at: new Date(Date.now() - 3_600_000).toISOString() });
  expect(await outcomeOf(late)).toBe('received');
  expect(await toldTo(late.body.id)).toBe('too late');
  const there = await visitNow();
  const arrived = {
    kind: 'visit event',
    body: {
      ...{ id: timeOrderedId(Date.now(), randomBytes(16)), visit: there, kind: 'arrived' },
      ...{ by: org.people.technician, at: new Date().toISOString(), fix: null, distance: null },
    },
  };
  await technician.push(arrived);
  const after = word({ visit: there });
  await technician.push(after);
  expect(await toldTo(after.body.id)).toBe('too late');
  await sleep(1_500);
  expect(await letters()).toHaveLength(before);
});

test('nobody is written to but who belongs to the place, by whose visit it is, and not without end', async () => {
  const stranger = { name: 'Ansa Fell', phone: '+999 55 0000', email: ANSA.email };
  expect(await outcomeOf(word({ to: stranger }))).toBe('refused');
  expect(await outcomeOf(word({ by: org.people.manager }))).toBe('refused');
  expect(await outcomeOf(word({ visit: org.site }))).toBe('refused');
  expect(await outcomeOf(word({ minutes: -1 }))).toBe('refused');
  expect(await outcomeOf(word({ minutes: 9_999 }))).toBe('refused');
  const other = await office.newTeam('elsewhere');
  const theirs = word({ by: other.org.people.technician });
  expect(await outcomeOf(theirs, other.technician)).toBe('refused');
  const many = await Promise.all(Array.from({ length: 8 }, () => outcomeOf(word())));
  expect(many).toContain('refused');
});
