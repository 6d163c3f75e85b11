import type { Site } from '@ant-trail/contract/sites';
import { openOffice, type Office, type Team } from './support/office.ts';
import { freshId } from './support/fresh-id.ts';
import { pull } from './support/pulled.ts';

const TODAY = new Date().toISOString().slice(0, 10);
let office: Office;
let team: Team;
beforeAll(async () => {
  office = await openOffice();
  team = await office.newTeam('found');
});
afterAll(() => office.close());

const found = (over: object = {}) => ({
  kind: 'place found',
  body: {
    ...{ id: freshId(), name: 'Lime kiln, lower', address: 'Behind the quay', sure: true },
    ...{ lat: 38.2, lon: -41.1, by: team.org.people.technician, at: new Date().toISOString() },
    ...over,
  },
});
const begun = (site: string) => ({
  kind: 'job begun',
  body: {
    ...{ id: freshId(), visit: freshId(), sheet: freshId(), site, asset: null },
    ...{ version: team.org.version, title: 'Check', day: TODAY, start: 600 },
    ...{ by: team.org.people.technician, at: new Date().toISOString() },
  },
});
const words = async (...operations: unknown[]): Promise<string[]> =>
  (await team.technician.push(...operations)).map(({ outcome, reason }) => reason ?? outcome);
const placesFound = async (): Promise<Site[]> =>
  ((await team.manager.call('GET', '/api/sites?found=yes')).body as { rows: Site[] }).rows;

test('a place told from the field is one, before the work that was begun there', async () => {
  const place = found();
  const job = begun(place.body.id);
  // Whatever order they are sent in.
  expect(await words(job, place)).toEqual(['received', 'received']);
  expect(await words(place)).toEqual(['already had']);
  expect(await placesFound()).toMatchObject([
    { id: place.body.id, found: { by: team.org.people.technician, sure: true } },
  ]);
  const kept = (await pull(team.technician)).of('site').find(({ id }) => id === place.body.id);
  expect(kept).toMatchObject({ name: 'Lime kiln, lower', found: { sure: true } });
  // The office has looked at it: then it is a place as any.
  const { id, name, address, lat, lon } = place.body;
  const content = {
    ...{ name, address, lat, lon, client: '', number: '', access: '' },
    ...{ hazards: [], contacts: [] },
  };
  await team.manager.call('PUT', `/api/sites/${id}`, content);
  expect(await placesFound()).toEqual([]);
  expect(await words(place)).toEqual(['already had']);
});

test('it is a place there was: what was done there was done here', async () => {
  const { org, manager } = team;
  const place = found({ sure: false });
  const job = begun(place.body.id);
  await words(place, job);
  await office.settled();
  const same = (from: string, site: string) =>
    manager.call('POST', `/api/sites/${from}/same-as`, { site });
  expect((await same(org.site, place.body.id)).status).toBe(409);
  expect((await same(place.body.id, place.body.id)).status).toBe(404);
  const { status, body } = await same(place.body.id, org.site);
  expect([status, (body as Site).id]).toEqual([200, org.site]);
  const pulled = await pull(team.technician);
  expect(pulled.of('job').find(({ id }) => id === job.body.id)?.site).toBe(org.site);
  expect(pulled.of('site').find(({ id }) => id === place.body.id)?.retired).toBe(true);
  expect(await placesFound()).toEqual([]);
  // Twice asked, once done.
  expect((await same(place.body.id, org.site)).status).toBe(409);
});

test('what is no place, or another’s word, is refused', async () => {
  for (const over of [{ name: ' ' }, { lat: 91 }, { by: team.org.people.reviewer }, { sure: 'x' }])
    expect(await words(found(over))).not.toEqual(['received']);
});

test('what somebody wants first is theirs alone, the last word counts, on any phone', async () => {
  const { org, technician, reviewer } = team;
  const said = (on: boolean, over: object = {}) => ({
    kind: 'favourite',
    body: {
      ...{ id: freshId(), of: 'place', ref: org.site, on, by: org.people.technician },
      ...{ at: new Date().toISOString(), ...over },
    },
  });
  const [first, then] = [said(true), said(false)];
  expect(await words(then, first, then)).toEqual(['received', 'already had', 'already had']);
  const own = async (who = technician) => (await pull(who)).of('favourite');
  expect(await own()).toMatchObject([{ id: org.site, of: 'place', on: false }]);
  expect(await words(said(true))).toEqual(['received']);
  expect(await own()).toMatchObject([{ id: org.site, on: true }]);
  expect(await own(reviewer)).toEqual([]);
  expect(await words(said(true, { by: org.people.reviewer }))).not.toEqual(['received']);
});
