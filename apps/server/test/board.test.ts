import type { JobCard } from '@ant-trail/contract/planning';
import type {
  BoardAnswer,
  BoardStop,
  BoardWays,
  CalendarAnswer,
  PlannersAnswer,
} from '@ant-trail/contract/planning/desk';
import type { z } from 'zod';
import { inOrganisation } from '../src/database/tenancy.ts';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

const DAY = '2031-04-08';
const NEXT = '2031-04-09';
let office: Office;
let team: Team;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`board${++count}`);
  ({ manager } = team);
});

async function site(east: number): Promise<string> {
  const { body } = await manager.call('POST', '/api/sites', {
    ...{ name: `Place ${east}`, client: '', number: '', address: '', access: '', hazards: [] },
    ...{ contacts: [], lat: 38, lon: -41 + east * 0.05 },
  });
  return (body as { id: string }).id;
}

async function job(at: string, day: string, start: number, person: string | null) {
  const { status, body } = await manager.call('POST', '/api/jobs', {
    ...{ site: at, template: team.org.template, title: 'Job', instructions: '', day, start },
    ...{ windowFrom: 470, windowTo: null, minutes: 60, person, recipients: [] },
  });
  expect(status).toBe(200);
  const [visit] = (body as JobCard).visits;
  if (!visit) throw new Error('no visit');
  return visit;
}

async function board(from = DAY, days = 1): Promise<BoardStop[]> {
  const { status, body } = await manager.call('GET', `/api/board?from=${from}&days=${days}`);
  expect(status).toBe(200);
  return (body as z.infer<typeof BoardAnswer>).stops;
}

test('the board has the visits of its days in their order, and what happened at them', async () => {
  const { technician } = team.org.people;
  const at = await site(1);
  const late = await job(at, DAY, 700, null);
  const first = await job(at, DAY, 480, technician);
  const next = await job(at, NEXT, 480, technician);
  const [event] = (
    await team.technician.push({
      kind: 'visit event',
      body: {
        ...{ id: '0196f000-0000-7000-8000-000000000001', visit: first.id, kind: 'arrived' },
        ...{ by: technician, at: '2031-04-08T08:00:00Z', fix: null, distance: null },
      },
    })
  ).map(({ outcome }) => outcome);
  expect(event).toBe('received');
  const stops = await board();
  expect(stops.map(({ visit }) => visit.id)).toEqual([first.id, late.id]);
  expect(stops[0]).toMatchObject({
    ...{ siteName: 'Place 1', site: at, at: { lat: 38 } },
    job: { title: 'Job', state: 'under way', windowFrom: 470, windowTo: null, round: null },
    visit: { person: technician, day: DAY, start: 480, minutes: 60, events: [{ kind: 'arrived' }] },
  });
  expect((await board(DAY, 2)).map(({ visit }) => visit.id)).toEqual([
    ...[first.id, late.id, next.id],
  ]);
  const more = await manager.call('GET', `/api/board?from=${DAY}&days=8`);
  expect(more.status).toBe(400);
  const { body } = await manager.call('GET', `/api/calendar?from=${DAY}&days=42`);
  expect((body as z.infer<typeof CalendarAnswer>).days).toEqual([
    { day: DAY, stops: 2, done: 0, withoutPerson: 1, people: 1, minutes: 120 },
    { day: NEXT, stops: 1, done: 0, withoutPerson: 0, people: 1, minutes: 60 },
  ]);
});

test('ways are told from each place of the day to each other', async () => {
  const { technician } = team.org.people;
  const [one, two] = [await site(1), await site(2)];
  await job(one, DAY, 480, technician);
  await job(one, DAY, 560, technician);
  await job(two, DAY, 700, null);
  const { status, body } = await manager.call('GET', `/api/board/ways?day=${DAY}`);
  expect(status).toBe(200);
  const { sites, minutes } = body as BoardWays;
  expect(sites).toEqual([one, two]);
  expect(minutes).toHaveLength(4);
  expect([minutes[0], minutes[3]]).toEqual([0, 0]);
  // About 4.4 km as the crow flies; nobody drew a map here, so it is estimated.
  expect(minutes[1]).toBeGreaterThan(10);
  expect(minutes[1]).toBeLessThan(20);
  expect((await manager.call('GET', '/api/board/ways?day=2031-01-01')).body).toEqual({
    ...{ sites: [], minutes: [] },
  });
});

test('among many places only the ways that are planned are told', async () => {
  const { technician } = team.org.people;
  const sites = await Promise.all(Array.from({ length: 82 }, (_, at) => site(at)));
  for (const [at, place] of sites.entries()) await job(place, DAY, 300 + at * 10, technician);
  const { body } = await manager.call('GET', `/api/board/ways?day=${DAY}`);
  const { sites: told, minutes } = body as BoardWays;
  expect(told).toHaveLength(82);
  expect(minutes.filter((each) => each !== null)).toHaveLength(81);
  expect(minutes[1]).toBeGreaterThan(10);
});

test('a visit goes to another day and back by the same door; a stale step is refused and changes nothing', async () => {
  const { technician, reviewer } = team.org.people;
  const visit = await job(await site(1), DAY, 480, technician);
  const was = { person: technician, day: DAY, start: 480 };
  const there = { person: reviewer, day: NEXT, start: 500 };
  const move = (from: object, to: object) =>
    manager.call('POST', '/api/plans', {
      day: DAY,
      plans: [{ visit: visit.id, was: from, ...to }],
    });
  expect((await move(was, there)).status).toBe(200);
  expect(await board()).toEqual([]);
  expect((await board(NEXT))[0]?.visit).toMatchObject(there);
  expect(await move(was, there)).toMatchObject({
    status: 409,
    body: { code: 'planned-meanwhile' },
  });
  expect((await move(there, was)).status).toBe(200);
  expect((await board())[0]?.visit).toMatchObject(was);
});

test('others hear who plans which day, for as long as they do', async () => {
  const seen = async (who: Caller) =>
    ((await who.call('GET', '/api/planners')).body as z.infer<typeof PlannersAnswer>).planners;
  expect((await manager.call('POST', '/api/planners', { day: DAY })).status).toBe(204);
  const second = await manager.call('POST', '/api/people', {
    ...{ name: 'Second', email: `second@board${count}.example`, phone: '', trade: '', hours: [] },
    ...{ roles: ['manager'], credentials: [], startsAt: null },
  });
  expect(second.status).toBe(200);
  const told = await inOrganisation(office.data, team.org.id, (db) =>
    db.query<unknown[]>(
      `INSERT INTO planner (org_id, person_id, day, seen)
       VALUES ($1, $2, $3, now() - interval '2 minutes') RETURNING day`,
      [team.org.id, (second.body as { person: { id: string } }).person.id, DAY],
    ),
  );
  expect(told).toHaveLength(1);
  // Whoever was not heard of for long is gone.
  expect(await seen(manager)).toEqual([]);
  expect((await team.technician.call('GET', '/api/planners')).status).toBe(403);
  await inOrganisation(office.data, team.org.id, (db) =>
    db.query(`UPDATE planner SET seen = now()`),
  );
  expect(await seen(manager)).toHaveLength(1);
  await manager.call('POST', '/api/planners', { day: null });
  const left = await inOrganisation(office.data, team.org.id, (db) =>
    db.query<unknown[]>(`SELECT 1 FROM planner`),
  );
  expect(left).toHaveLength(1);
});
