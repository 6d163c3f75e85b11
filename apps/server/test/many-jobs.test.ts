import type { JobCard } from '@ant-trail/contract/planning';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
const DAY = '2031-04-08';

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('many'));
});
afterAll(() => office.close());

const place = async (name: string, lat: number): Promise<string> => {
  const { body } = await manager.call('POST', '/api/sites', {
    ...{ name, client: '', address: '', lat, lon: -41.3, access: '', hazards: [] },
    contacts: [{ name: 'Pia', role: 'keeper', phone: '', email: 'pia@tarnhollow.example' }],
  });
  return (body as { id: string }).id;
};
const thing = async (site: string, name: string): Promise<string> => {
  const { body } = await manager.call('POST', `/api/sites/${site}/assets`, { name, kind: 'pump' });
  return (body as { id: string }).id;
};
const many = (at: object[], more: object = {}, who = manager) =>
  who.call('POST', '/api/jobs/many', {
    ...{ at, template: org.template, title: 'Spring check', instructions: '', day: DAY },
    ...{ start: 480, minutes: 20, person: org.people.technician, ...more },
  });
const jobsThen = async (): Promise<JobCard[]> => {
  const { body } = await manager.call('GET', `/api/jobs?from=${DAY}&to=${DAY}&order=place`);
  return (body as { rows: JobCard[] }).rows;
};

test('one job at each place with a sheet for each thing, one after the other for one person', async () => {
  const [far, near] = [await place('Far', 38.7), await place('Near', 38.61)];
  const [one, two] = [await thing(far, 'One'), await thing(far, 'Two')];
  const made = await many([
    { site: far, asset: one },
    { site: near, asset: null },
    { site: far, asset: two },
    { site: far, asset: one },
  ]);
  expect(made).toEqual({ status: 200, body: { jobs: 2 } });
  const [atFar, atNear] = await jobsThen();
  expect(atFar?.job.sheets.map(({ asset }) => asset)).toEqual([one, two]);
  expect(atFar?.visits[0]).toMatchObject({ start: 480, minutes: 40 });
  expect(atNear?.visits[0]?.start).toBeGreaterThan(520);
  expect(atNear?.job).toMatchObject({ recipients: ['pia@tarnhollow.example'], state: 'planned' });
  // Nobody yet: all at the same hour.
  await many(
    [far, near].map((site) => ({ site, asset: null })),
    { person: null, start: 600 },
  );
  const open = (await jobsThen()).filter(({ visits }) => visits[0]?.person === null);
  expect(open.map(({ visits }) => visits[0]?.start)).toEqual([600, 600]);
});

test('all or none: one that can’t be made keeps all back', async () => {
  const before = (await jobsThen()).length;
  const there = await place('There', 38.62);
  const gone = await place('Gone', 38.63);
  await manager.call('PUT', `/api/sites/${gone}/retired`, { retired: true });
  const at = [there, gone].map((site) => ({ site, asset: null }));
  expect((await many(at)).status).toBe(409);
  const long = Array.from({ length: 3 }, () => ({ site: there, asset: null }));
  expect((await many([...long, { site: org.site, asset: null }], { minutes: 720 })).status).toBe(
    422,
  );
  expect((await many([])).status).toBe(400);
  expect((await many(at, { person: org.people.technician }, technician)).status).toBe(403);
  expect(await jobsThen()).toHaveLength(before);
});
