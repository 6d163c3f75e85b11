import type { Message, MessageThreads } from '@ant-trail/contract/messages';
import type { PullAnswer } from '@ant-trail/contract/sync';
import type { z } from 'zod';
import { freshId } from './support/fresh-id.ts';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

let office: Office;
let team: Team;
let manager: Caller;
let technician: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`words${++count}`);
  ({ manager, technician } = team);
});

const now = (): string => new Date().toISOString();
const said = (text: string, more: object = {}) => {
  const { technician: person } = team.org.people;
  return { id: freshId(), person, visit: null, text, by: person, at: now(), ...more };
};
const write = (text: string, more: object = {}) =>
  manager.call('POST', '/api/messages', said(text, { by: team.org.people.manager, ...more }));

/** What a phone has of messages after it asked for all that is new. */
async function phone(who: Caller, from = ''): Promise<{ messages: Message[]; cursor: string }> {
  const found = new Map<string, Message>();
  let cursor = from;
  for (let more = true; more;) {
    const { body } = await who.call('GET', `/api/pull${cursor ? `?cursor=${cursor}` : ''}`);
    const page = body as z.infer<typeof PullAnswer>;
    for (const { kind, id, body: message } of page.changes)
      if (kind === 'message') found.set(id, message as Message);
    ({ cursor, more } = page);
  }
  return { messages: [...found.values()], cursor };
}

async function thread(): Promise<Message[]> {
  const { body } = await manager.call('GET', `/api/messages/${team.org.people.technician}`);
  return (body as { messages: Message[] }).messages;
}

test('the office writes, the phone gets it, and the office hears that it was read', async () => {
  const { cursor } = await phone(technician);
  const { status, body } = await write('Call Ansa before you go up.', { visit: team.org.visit });
  expect(status).toBe(200);
  const sent = body as Message;
  const { messages } = await phone(technician, cursor);
  expect(messages).toMatchObject([{ id: sent.id, text: 'Call Ansa before you go up.' }]);
  expect(messages[0]?.siteName).toMatch(/^Site of/);
  expect((await thread())[0]?.seenAt).toBeNull();
  const seen = {
    kind: 'message seen',
    body: { id: freshId(), message: sent.id, by: team.org.people.technician, at: now() },
  };
  expect((await technician.push(seen))[0]?.outcome).toBe('received');
  expect(
    (await technician.push({ ...seen, body: { ...seen.body, id: freshId() } }))[0]?.outcome,
  ).toBe('already had');
  expect((await thread())[0]?.seenAt).not.toBeNull();
  // A new phone has it from the start, nobody else’s does.
  expect((await phone(technician)).messages).toHaveLength(1);
  expect((await phone(team.reviewer)).messages).toEqual([]);
});

test('the phone writes, the office sees how many it has not read, and reads them', async () => {
  const [one, two] = [said('The door is locked.'), said('Found the key.')];
  const pushed = await technician.push(
    ...[one, two, one].map((body) => ({ kind: 'message', body })),
  );
  expect(pushed.map(({ outcome }) => outcome)).toEqual(['received', 'received', 'already had']);
  const threads = async () =>
    ((await manager.call('GET', '/api/messages')).body as z.infer<typeof MessageThreads>).threads;
  expect(await threads()).toMatchObject([{ unseen: 2, last: { text: 'Found the key.' } }]);
  const read = { person: team.org.people.technician };
  expect((await manager.call('POST', '/api/messages/seen', read)).body).toEqual({ seen: 2 });
  expect((await threads())[0]?.unseen).toBe(0);
  expect((await phone(technician)).messages.every(({ seenAt }) => seenAt !== null)).toBe(true);
});

test('nobody writes in another’s name, to themselves, about nothing, or too much', async () => {
  const { reviewer, manager: boss } = team.org.people;
  const refused = await technician.push(
    { kind: 'message', body: said('x', { person: reviewer }) },
    { kind: 'message', body: said('x', { by: boss }) },
    { kind: 'message', body: said('x', { visit: freshId() }) },
    { kind: 'message', body: said('x'.repeat(1_001)) },
    { kind: 'message', body: said('   ') },
    { kind: 'message', body: said('This one is fine.') },
  );
  expect(refused.map(({ outcome }) => outcome)).toEqual([
    ...['refused', 'refused', 'refused', 'refused', 'refused', 'received'],
  ]);
  expect((await write('x', { person: boss })).status).toBe(422);
  expect((await write('x', { by: reviewer })).status).toBe(422);
  expect((await write('x', { person: freshId() })).status).toBe(404);
  expect((await technician.call('GET', '/api/messages')).status).toBe(403);
  const own = (await thread())[0];
  const [word] = await technician.push({
    kind: 'message seen',
    body: { id: freshId(), message: own?.id, by: team.org.people.technician, at: now() },
  });
  expect(word?.outcome).toBe('refused');
});
