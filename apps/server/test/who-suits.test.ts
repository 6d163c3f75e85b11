import type { Branch, Me, Person } from '@ant-trail/contract/accounts';
import type { JobCard } from '@ant-trail/contract/planning';
import type { SuitingAnswer } from '@ant-trail/contract/planning/desk';
import type { Site } from '@ant-trail/contract/sites';
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
  team = await office.newTeam(`suits${++count}`);
  ({ manager, technician } = team);
});

const draft = (over: object = {}): object => ({
  ...{ name: 'Ode Farrow', email: `ode@suits${count}.example`, phone: '', trade: '' },
  ...{ roles: ['technician'], credentials: [], ...over },
});

async function add(over: object = {}): Promise<Person> {
  const { status, body } = await manager.call('POST', '/api/people', draft(over));
  expect(status).toBe(200);
  return (body as { person: Person }).person;
}
const lacksOf = async (query: object, who: string): Promise<unknown> => {
  const asked = new URLSearchParams(query as Record<string, string>).toString();
  const { status, body } = await manager.call('GET', `/api/suiting?${asked}`);
  expect(status).toBe(200);
  return (body as SuitingAnswer).people.find(({ id }) => id === who)?.lacks;
};
const TIME = { day: '2031-04-08', start: '540', minutes: '60' };

/** Publishes the team's template once more, with demands. */
async function demand(demands: object): Promise<void> {
  const known = await manager.call('GET', '/api/templates');
  const [{ body, number }] = (known.body as { templates: [{ body: object; number: number }] })
    .templates;
  const { status } = await manager.call('POST', '/api/templates', {
    ...{ template: team.org.template, after: number, body: { ...body, demands } },
  });
  expect(status).toBe(200);
}

test('what people can, when they work and what they drive is kept, found and left alone where nothing is said', async () => {
  const said = {
    skills: ['rope work', 'welding'],
    hours: [{ weekday: 2, from: 480, to: 1020 }],
    absences: [{ from: '2031-04-08', to: '2031-04-09', why: 'course' }],
    startsAt: team.org.site,
    vehicle: { name: 'Van', holds: [{ what: 'kilograms', most: 800 }] },
  };
  const person = await add(said);
  expect(person).toMatchObject(said);
  // A desk of before says nothing of it.
  const again = await manager.call('PUT', `/api/people/${person.id}`, draft({ trade: 'ropes' }));
  expect(again.body).toMatchObject({ ...said, trade: 'ropes' });
  for (const query of ['text=welding', 'away=2031-04-09'])
    expect((await manager.call('GET', `/api/people?${query}`)).body).toMatchObject({
      rows: [{ id: person.id }],
    });
  expect((await manager.call('GET', '/api/people?away=2031-04-10')).body).toMatchObject({
    rows: [],
  });
});

test.each([
  ['hours that end before they begin', { hours: [{ weekday: 2, from: 600, to: 600 }] }, 400],
  ['a day of the week there is not', { hours: [{ weekday: 8, from: 0, to: 60 }] }, 400],
  [
    'absences that end before they begin',
    { absences: [{ from: '2031-04-09', to: '2031-04-08', why: '' }] },
    400,
  ],
  ['no branch', { branches: [] }, 400],
  ['a branch that there is not', { branches: ['11111111-1111-4111-8111-111111111111'] }, 404],
  ['a place that there is not', { startsAt: '11111111-1111-4111-8111-111111111111' }, 404],
  [
    'a vehicle that holds less than nothing',
    { vehicle: { name: 'Van', holds: [{ what: 'kg', most: -1 }] } },
    400,
  ],
])('%s is refused', async (_what, over, status) => {
  expect((await manager.call('POST', '/api/people', draft(over))).status).toBe(status);
});

test('who plans is warned by what sheet and client demand, and hears who has it', async () => {
  await demand({ credentials: ['Rope access'] });
  const { body } = await manager.call('GET', `/api/sites/${team.org.site}`);
  const site = body as Site;
  await manager.call('PUT', `/api/sites/${site.id}`, {
    ...Object.fromEntries(Object.entries(site).filter(([key]) => !['id', 'retired'].includes(key))),
    client: 'Assembly ',
  });
  const clients = (await manager.call('GET', '/api/clients?text=assembly')).body as {
    rows: { id: string; name: string }[];
  };
  const [client] = clients.rows;
  const saved = await manager.call('PUT', `/api/clients/${client?.id}`, {
    ...{ name: client?.name, number: '', address: '', contacts: [], note: '' },
    demands: { skills: ['first aid'] },
  });
  expect(saved.body).toMatchObject({ demands: { skills: ['first aid'] } });
  const ropes = (expiresOn: string): object => ({
    credentials: [{ kind: 'rope ACCESS', number: '1', issuer: 'Guild', expiresOn }],
  });
  const all = { site: site.id, templates: team.org.template, ...TIME };
  const fit = await add({ ...ropes('2031-04-08'), skills: ['First aid'] });
  expect(await lacksOf(all, fit.id)).toEqual([]);
  const late = await add({
    ...ropes('2031-04-07'),
    email: 'late@suits.example',
    absences: [{ from: '2031-04-08', to: '2031-04-08', why: '' }],
  });
  expect(await lacksOf(all, late.id)).toEqual([
    { code: 'credential expired', name: 'rope ACCESS', on: '2031-04-07' },
    { code: 'no skill', name: 'first aid' },
    { code: 'absent', from: '2031-04-08', to: '2031-04-08', why: '' },
  ]);
  // Of a job that is planned, each sheet's own version counts, at its own time or another.
  const job = (
    await manager.call('POST', '/api/jobs', {
      ...{ site: site.id, template: team.org.template, title: 'Ropes', instructions: '' },
      ...{ day: '2031-04-10', windowFrom: null, windowTo: null, start: 540, minutes: 45 },
      ...{ person: late.id, recipients: [] },
    })
  ).body as JobCard;
  expect(await lacksOf({ jobs: job.job.id, people: late.id }, late.id)).toHaveLength(2);
  expect(await lacksOf({ jobs: job.job.id, day: '2031-04-08' }, late.id)).toHaveLength(3);
  // It warned, and forbade nothing.
  expect(job.visits[0]?.person).toBe(late.id);
});

test('only who plans asks who suits, of their own organisation, with a whole question', async () => {
  const other = await office.newTeam(`other${count}`);
  const asked = new URLSearchParams(TIME).toString();
  expect((await technician.call('GET', `/api/suiting?${asked}`)).status).toBe(403);
  expect((await manager.call('GET', '/api/suiting')).status).toBe(400);
  expect((await manager.call('GET', '/api/suiting?jobs=nothing')).status).toBe(400);
  expect(
    (await manager.call('GET', `/api/suiting?${asked}&templates=${other.org.template}`)).status,
  ).toBe(404);
  const theirs = (await other.manager.call('GET', `/api/suiting?${asked}`)).body as SuitingAnswer;
  expect(theirs.people.map(({ id }) => id)).not.toContain(team.org.people.technician);
});

describe('branches', () => {
  const addBranch = async (name: string): Promise<Branch> => {
    const { status, body } = await manager.call('POST', '/api/branches', { name });
    expect(status).toBe(200);
    return body as Branch;
  };

  test('are added and renamed by who keeps people, each name once', async () => {
    const north = await addBranch('North');
    expect((await manager.call('POST', '/api/branches', { name: ' north' })).status).toBe(409);
    expect(
      (await manager.call('PUT', `/api/branches/${north.id}`, { name: 'Far north' })).body,
    ).toEqual({ id: north.id, name: 'Far north' });
    expect((await technician.call('POST', '/api/branches', { name: 'Own' })).status).toBe(403);
    const other = await office.newTeam(`elsewhere${count}`);
    expect(
      (await other.manager.call('PUT', `/api/branches/${north.id}`, { name: 'Taken' })).status,
    ).toBe(404);
  });

  test('somebody changes among their own, without signing in anew, and into no other', async () => {
    const north = await addBranch('North');
    const south = await addBranch('South');
    const before = (await technician.call('GET', '/api/me')).body as Me;
    expect(before.branches).toEqual([before.branch]);
    expect((await technician.call('PUT', '/api/me/branch', { branch: north.id })).status).toBe(404);
    const own = (await manager.call('GET', `/api/people/${before.person.id}`)).body as Person;
    const { name, email, phone, roles, trade } = own;
    const may = (branches: string[]): Promise<{ status: number }> =>
      manager.call('PUT', `/api/people/${own.id}`, {
        ...{ name, email, phone, roles, trade, credentials: [], branches },
      });
    expect((await may([before.branch.id, north.id])).status).toBe(200);
    const after = await technician.call('PUT', '/api/me/branch', { branch: north.id });
    expect((after.body as Me).branch).toEqual(north);
    expect((await technician.call('PUT', '/api/me/branch', { branch: south.id })).status).toBe(404);
    // Taken from them, they go on in one that is left.
    expect((await may([before.branch.id])).status).toBe(200);
    expect(((await technician.call('GET', '/api/me')).body as Me).branch).toEqual(before.branch);
  });

  test('a phone is told whose places it has; a place that goes over is told to both', async () => {
    const north = await addBranch('North');
    const pulled = await technician.call('GET', '/api/pull');
    const me = (await technician.call('GET', '/api/me')).body as Me;
    const { cursor, branch } = pulled.body as { cursor: string; branch: string };
    expect(branch).toBe(me.branch.id);
    const { body } = await manager.call('GET', `/api/sites/${team.org.site}`);
    const { id, retired, ...site } = body as Site;
    expect(retired).toBe(false);
    expect(
      (await manager.call('PUT', `/api/sites/${id}`, { ...site, branch: north.id })).body,
    ).toMatchObject({ branch: north.id });
    const later = (await technician.call('GET', `/api/pull?cursor=${cursor}`)).body as {
      changes: { kind: string; body: Site }[];
    };
    expect(later.changes.filter(({ kind }) => kind === 'site')).toMatchObject([
      { body: { id, branch: north.id } },
    ]);
    expect((await manager.call('PUT', `/api/sites/${id}`, { ...site, branch: id })).status).toBe(
      404,
    );
  });
});

test('a place has its own radius, an owner, and hazards that end', async () => {
  const { body } = await manager.call('GET', `/api/sites/${team.org.site}`);
  const { id, retired, ...site } = body as Site;
  expect([retired, site.radius, site.owner, site.hazardEnds]).toEqual([false, null, '', []]);
  const more = {
    ...{ radius: 400, owner: 'Harbour Guild', hazards: ['Ice', 'Live rail'] },
    hazardEnds: [{ hazard: 'Ice', until: '2031-04-30' }],
  };
  const saved = await manager.call('PUT', `/api/sites/${id}`, { ...site, ...more });
  expect(saved.body).toMatchObject(more);
  // A desk of before says nothing of it, and takes nothing away.
  const { radius, owner, hazardEnds, branch, ...known } = { ...site, hazards: ['Ice'] };
  expect([radius, owner, hazardEnds, typeof branch]).toEqual([null, '', [], 'string']);
  expect((await manager.call('PUT', `/api/sites/${id}`, known)).body).toMatchObject({
    ...more,
    hazards: ['Ice'],
  });
  expect((await manager.call('PUT', `/api/sites/${id}`, { ...site, radius: 1 })).status).toBe(400);
});

test('people by a file are in the branch of who took it in, with their skills', async () => {
  const csv = `Name,E-mail,Skills\nUna Hale,una@suits${count}.example,"rope work; welding"\n`;
  const { body } = await manager.call('POST', '/api/imports/people', {
    ...{ name: 'file.csv', content: Buffer.from(csv).toString('base64') },
    ...{ uses: ['name', 'email', 'skills'], really: true, without: false },
  });
  expect(body).toMatchObject({ done: true });
  const me = (await manager.call('GET', '/api/me')).body as Me;
  expect((await manager.call('GET', '/api/people?text=una')).body).toMatchObject({
    rows: [{ skills: ['rope work', 'welding'], branches: [me.branch.id] }],
  });
});
