import type { Me } from '@ant-trail/contract/accounts';
import type { Feedback } from '@ant-trail/contract/feedback';
import { timeOrderedId } from '@ant-trail/core/log';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

let office: Office;
let team: Team;
let technician: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`settings${++count}`);
  ({ technician } = team);
});

const change = (settings: object, who = technician) =>
  who.call('PUT', '/api/me/settings', settings);
const kept = async (who = technician): Promise<unknown> =>
  ((await who.call('GET', '/api/me')).body as Me).settings;

test('a person’s settings are the same wherever they sign in; what is not said stays', async () => {
  await change({ letters: 'large', hand: 'left' });
  expect((await change({ letters: 'largest' })).body).toMatchObject({
    settings: { letters: 'largest', hand: 'left' },
  });
  const elsewhere = await office.signIn(team.org.emails.technician);
  expect(await kept(elsewhere)).toEqual({ letters: 'largest', hand: 'left' });
  expect(await kept(team.manager)).toEqual({});
});

test.each([
  ['one there is not', { colour: 'red' }],
  ['a value there is not', { hand: 'third' }],
  ['what is no setting', { __proto__: null, hand: { left: true } }],
])('%s is refused', async (_what, settings) => {
  expect((await change(settings)).status).toBe(400);
  expect(await kept()).toEqual({});
});

test('two phones that change different ones at once both have their way', async () => {
  await Promise.all([change({ theme: 'dark' }), change({ units: 'US' }), change({ hand: 'left' })]);
  expect(await kept()).toEqual({ theme: 'dark', units: 'US', hand: 'left' });
});

describe('what people tell of the application', () => {
  const told = (words: string, by: string): Feedback => ({
    id: timeOrderedId(Date.now(), crypto.getRandomValues(new Uint8Array(16))),
    ...{ words, by, picture: null, screen: '/trail', version: '0.10.0', device: 'a browser' },
    at: new Date().toISOString(),
  });
  const read = async (who: Caller): Promise<string[]> => {
    const { body } = await who.call('GET', '/api/feedback');
    return (body as { rows: Feedback[] }).rows.map(({ words }) => words);
  };

  test('comes from phone and desk to whoever keeps people, and to nobody else', async () => {
    const { people } = team.org;
    const one = told('The button hides', people.technician);
    const twice = await technician.push(
      { kind: 'feedback', body: one },
      { kind: 'feedback', body: one },
    );
    expect(twice.map(({ outcome }) => outcome)).toEqual(['received', 'already had']);
    const desk = told('More rows, please', people.reviewer);
    expect((await team.reviewer.call('POST', '/api/feedback', desk)).status).toBe(200);
    expect(await read(team.manager)).toEqual(['More rows, please', 'The button hides']);
    for (const who of [technician, team.reviewer])
      expect((await who.call('GET', '/api/feedback')).status).toBe(403);
    const other = await office.newTeam(`settings-elsewhere${count}`);
    expect(await read(other.manager)).toEqual([]);
  });

  test('is said in one’s own name alone, and not changed afterwards', async () => {
    const { people } = team.org;
    const one = told('Mine', people.technician);
    await technician.push({ kind: 'feedback', body: one });
    const receipts = await technician.push(
      { kind: 'feedback', body: { ...one, words: 'Other' } },
      { kind: 'feedback', body: told('Theirs', people.manager) },
      { kind: 'feedback', body: { ...told('X', people.technician), words: ' ' } },
    );
    expect(receipts.map(({ outcome }) => outcome)).toEqual(['refused', 'refused', 'refused']);
    expect(await read(team.manager)).toEqual(['Mine']);
  });
});
