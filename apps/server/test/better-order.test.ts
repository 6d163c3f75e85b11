import type { Person } from '@ant-trail/contract/accounts';
import type { JobCard } from '@ant-trail/contract/planning';
import type { DayAnswer, OrderAnswer } from '@ant-trail/contract/planning/desk';
import type { Site } from '@ant-trail/contract/sites';
import type { z } from 'zod';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

const DAY = '2031-04-08';
let office: Office;
let team: Team;
let manager: Caller;
let count = 0;
let sites: Site[];

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`order${++count}`);
  ({ manager } = team);
  sites = [];
  // A road to the east: each place some four kilometres behind the one before.
  for (let i = 0; i < 5; i++) sites.push(await site(i));
});

async function site(i: number): Promise<Site> {
  const { status, body } = await manager.call('POST', '/api/sites', {
    ...{ name: `Place ${i}`, client: '', number: '', address: '', access: '', hazards: [] },
    ...{ contacts: [], lat: 38, lon: -41 + i * 0.05 },
  });
  expect(status).toBe(200);
  return body as Site;
}

async function somebody(name: string, more: object = {}): Promise<Person> {
  const { status, body } = await manager.call('POST', '/api/people', {
    ...{ name, email: `${name}@order${count}.example`, phone: '', trade: '' },
    ...{ roles: ['technician'], credentials: [], startsAt: sites[0]?.id ?? null },
    hours: [{ weekday: 2, from: 480, to: 1020 }],
    ...more,
  });
  expect(status).toBe(200);
  return (body as { person: Person }).person;
}

async function job(place: number, start: number, person: string | null, more: object = {}) {
  const { status, body } = await manager.call('POST', '/api/jobs', {
    ...{ site: sites[place]?.id, template: team.org.template, title: `Job ${place}` },
    ...{ instructions: '', day: DAY, windowFrom: null, windowTo: null, start, minutes: 60, person },
    ...{ recipients: [], ...more },
  });
  expect(status).toBe(200);
  const [visit] = (body as JobCard).visits;
  if (!visit) throw new Error('no visit');
  return visit;
}

async function better(more: object = {}): Promise<OrderAnswer> {
  const { status, body } = await manager.call('POST', '/api/orders', {
    ...{ day: DAY, seconds: 0.3, ...more },
  });
  expect({ status, body }).toMatchObject({ status: 200 });
  return body as OrderAnswer;
}

const plansOf = async (): Promise<z.infer<typeof DayAnswer>['cards']> =>
  ((await manager.call('GET', `/api/day?day=${DAY}`)).body as z.infer<typeof DayAnswer>).cards;

test('a day that goes to and fro is put in order, taken over at once, and then stays as it is', async () => {
  const imke = await somebody('imke');
  const visits = [
    await job(4, 480, imke.id),
    await job(1, 600, imke.id),
    await job(3, 720, imke.id),
    await job(2, 840, imke.id),
  ];
  const order = await better({ people: [imke.id] });
  expect(order.after.minutes).toBeLessThan(order.before.minutes * 0.7);
  expect(order.after.metres).toBeLessThan(order.before.metres);
  const [trail] = order.trails;
  const places = trail?.stops.map(({ visit }) => visits.findIndex(({ id }) => id === visit));
  // 1, 2, 3, 4 or the same way back, beside what stands best in between: never to and fro.
  expect(places?.length).toBe(4);
  const [change, ...none] = order.changes;
  expect(none).toEqual([]);
  expect(change?.minutes).toBe(order.after.minutes - order.before.minutes);
  const plans = (trail?.stops ?? []).map(({ visit, start }) => {
    const was = visits.find(({ id }) => id === visit);
    return { visit, start, person: imke.id, was: { person: imke.id, start: was?.start ?? 0 } };
  });
  const taken = await manager.call('POST', '/api/plans', { day: DAY, plans });
  expect(taken.status).toBe(200);
  const starts = new Map((await plansOf()).map(({ visit }) => [visit.id, visit.start]));
  for (const { visit, start } of plans) expect(starts.get(visit)).toBe(start);
  const again = await better({ people: [imke.id] });
  expect(again.changes).toEqual([]);
  // What somebody else planned meanwhile is not undone by an order that knows nothing of it.
  const late = await manager.call('POST', '/api/plans', { day: DAY, plans });
  expect(late).toMatchObject({ status: 409, body: { code: 'planned-meanwhile' } });
});

test('nothing of an order is taken where one visit of it changed meanwhile', async () => {
  const imke = await somebody('imke');
  const [one, two] = [await job(1, 480, imke.id), await job(2, 600, imke.id)];
  await manager.call('PUT', `/api/visits/${two.id}/plan`, {
    ...{ person: imke.id, day: DAY, start: 660, minutes: 60 },
  });
  const was = { person: imke.id, start: 480 };
  const { status } = await manager.call('POST', '/api/plans', {
    day: DAY,
    plans: [
      { visit: one.id, person: imke.id, start: 500, was },
      { visit: two.id, person: imke.id, start: 500, was: { ...was, start: 600 } },
    ],
  });
  expect(status).toBe(409);
  expect((await plansOf()).find(({ visit }) => visit.id === one.id)?.visit.start).toBe(480);
});

test('two who take at once, and one who plans a visit meanwhile: each is whole, and none is lost in a circle', async () => {
  const imke = await somebody('imke');
  const visits: Awaited<ReturnType<typeof job>>[] = [];
  for (let i = 0; i < 6; i++) visits.push(await job(i % 5, 480 + i * 60, imke.id));
  const plansBy = (shift: number) =>
    visits.map(({ id, start }) => ({
      ...{ visit: id, person: imke.id, start: start + shift },
      was: { person: imke.id, start },
    }));
  const take = (plans: object[]) => manager.call('POST', '/api/plans', { day: DAY, plans });
  const answers = await Promise.all([
    take(plansBy(5)),
    take(plansBy(10).reverse()),
    manager.call('PUT', `/api/visits/${visits[3]?.id}/plan`, {
      ...{ person: imke.id, day: DAY, start: 700, minutes: 60 },
    }),
  ]);
  for (const { status } of answers) expect([200, 409]).toContain(status);
  expect(answers.map(({ status }) => status)).toContain(200);
  const shifts = (await plansOf())
    .filter(({ visit }) => visit.id !== visits[3]?.id)
    .map(({ visit }) => visit.start - (visits.find(({ id }) => id === visit.id)?.start ?? 0));
  // Whichever counted, it counted for all of them.
  expect(new Set(shifts).size).toBe(1);
});

test('work of nobody goes to who is near, suits and has room; what can’t be placed says why', async () => {
  const near = await somebody('near', { startsAt: sites[3]?.id });
  const far = await somebody('far', { startsAt: sites[0]?.id });
  await somebody('away', {
    startsAt: sites[4]?.id,
    absences: [{ from: DAY, to: DAY, why: 'course' }],
  });
  const free = await job(4, 600, null);
  const early = await job(1, 600, null, { windowFrom: 300, windowTo: 420 });
  const promised = await job(1, 600, far.id, { windowFrom: 600, windowTo: 630 });
  const order = await better();
  expect(order.changes).toMatchObject([
    { people: [{ person: near.id, takes: [{ visit: free.id, from: null }], gives: [] }] },
  ]);
  expect(order.leftOut).toMatchObject([
    { visit: early.id, why: { code: 'out of reach', until: 420 } },
  ]);
  const trail = order.trails.find(({ person }) => person === far.id);
  expect(trail?.stops).toEqual([{ visit: promised.id, start: 600 }]);
});

test('what somebody who is away has goes to others, and what demands more than they have does not', async () => {
  const known = await manager.call('GET', '/api/templates');
  const [{ body, number }] = (known.body as { templates: [{ body: object; number: number }] })
    .templates;
  await manager.call('POST', '/api/templates', {
    ...{ template: team.org.template, after: number },
    body: { ...body, demands: { skills: ['rope work'] } },
  });
  const ill = await somebody('ill', { skills: ['rope work'] });
  const other = await somebody('other');
  const visit = await job(2, 600, ill.id);
  await manager.call('PUT', `/api/people/${ill.id}`, {
    ...{ name: 'ill', email: `ill@order${count}.example`, phone: '', trade: '' },
    ...{ roles: ['technician'], credentials: [] },
    absences: [{ from: DAY, to: DAY, why: 'ill' }],
  });
  expect((await better({ people: [ill.id, other.id] })).leftOut).toEqual([
    { visit: visit.id, why: { code: 'suits nobody' } },
  ]);
  await manager.call('PUT', `/api/people/${other.id}`, {
    ...{ name: 'other', email: `other@order${count}.example`, phone: '', trade: '' },
    ...{ roles: ['technician'], credentials: [], skills: ['Rope Work'] },
  });
  expect((await better({ people: [ill.id, other.id] })).changes).toMatchObject([
    { people: [{ person: other.id, takes: [{ visit: visit.id, from: ill.id }] }] },
  ]);
});

test('those who go together stay together, at their hour', async () => {
  const [imke, jory] = [await somebody('imke'), await somebody('jory')];
  const pair = await job(3, 700, imke.id, { helpers: [jory.id] });
  await job(4, 480, imke.id);
  const order = await better();
  for (const { person, stops } of order.trails)
    if (person === imke.id || person === jory.id)
      expect(stops.map(({ start }) => start)).toContain(700);
  expect(order.trails.flatMap(({ stops }) => stops.map(({ visit }) => visit))).toContain(pair.id);
});

test.each([
  ['no day', { day: 'tomorrow' }],
  ['a second too much', { seconds: 60 }],
  ['nobody', { people: [] }],
  ['more than is asked for', { __proto__: null, heat: 1 }],
])('%s is refused in words', async (_what, over) => {
  const { status } = await manager.call('POST', '/api/orders', { day: DAY, seconds: 0.1, ...over });
  expect(status).toBe(400);
});

test('only who plans may look for an order or take one', async () => {
  for (const who of [team.technician, team.reviewer]) {
    expect((await who.call('POST', '/api/orders', { day: DAY })).status).toBe(403);
    expect((await who.call('POST', '/api/plans', { day: DAY, plans: [] })).status).toBe(403);
  }
});
