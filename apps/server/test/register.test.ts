import { randomBytes, randomUUID } from 'node:crypto';
import type { JobCard } from '@ant-trail/contract/planning';
import type { AssetLinesAnswer, AssetsAnswer } from '@ant-trail/contract/register';
import type { Dossier } from '@ant-trail/contract/review';
import type { Story } from '@ant-trail/contract/story';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { PROGRAMME_PATH, rowPath, timeOrderedId } from '@ant-trail/core/log';
import type { TemplateBody } from '@ant-trail/core/sheet';
import type { z } from 'zod';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

const BODY: TemplateBody = {
  title: 'Alarms',
  programmes: [{ key: 'grant', name: 'Grant', required: [], leftOut: [] }],
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        {
          kind: 'rows',
          key: 'alarms',
          label: 'Alarms',
          each: 'alarm',
          of: 'alarm',
          required: false,
          questions: [
            { kind: 'text', key: 'model', label: 'Model', required: true },
            { kind: 'yesNo', key: 'works', label: 'Works?', required: true },
          ],
        },
      ],
    },
  ],
};

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
let template: string;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('register'));
  const { body } = await manager.call('POST', '/api/templates', { after: 0, body: BODY });
  ({ template } = body as PublishedTemplate);
});
afterAll(() => office.close());

const jobOn = async (day: string, more: object = {}): Promise<JobCard> => {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'Alarms', instructions: '', day },
    ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
    person: org.people.technician,
    ...more,
  });
  return body as JobCard;
};
const dayFromNow = (days: number): string =>
  new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const assets = async (): Promise<z.infer<typeof AssetsAnswer>['assets']> => {
  const { body } = await manager.call('GET', `/api/sites/${org.site}/assets`);
  return (body as z.infer<typeof AssetsAnswer>).assets;
};

test('what was found on site joins the register once, and its facts wait for the next visit', async () => {
  const { job } = await jobOn(dayFromNow(-1));
  const thing = timeOrderedId(Date.now(), randomBytes(16));
  const row = rowPath('alarms', thing);
  const said = (path: string, value: unknown) =>
    asEntry(entryOf(org, { sheet: job.sheet.id, path, value } as never));
  const operations = [
    said(row, { order: 1, name: 'Alarm by the stove' }),
    said(`${row}/model`, 'S4'),
    said(`${row}/works`, 'yes'),
    asEntry(entryOf(org, { sheet: job.sheet.id, path: '~stage', kind: 'finish', value: null })),
  ];
  for (let sent = 0; sent < 2; sent++) await technician.push(...operations);
  expect(await assets()).toEqual([
    {
      ...{ id: thing, site: org.site, kind: 'alarm', name: 'Alarm by the stove', retired: false },
      ...{ area: false, within: null, condition: 'unknown', facts: {}, purposes: [], alsoIn: [] },
      shape: null,
    },
  ]);

  await jobOn(dayFromNow(1));
  const page = await pull(technician);
  expect(page.of('asset').map(({ id }) => id)).toEqual([thing]);
  const earlier = page.of('earlier').find((each) => each.template === template);
  expect(earlier).toMatchObject({ site: org.site, day: dayFromNow(-1) });
  expect(earlier?.answers.map(({ path }) => path)).toEqual([row, `${row}/model`]);
});

test('the office names and retires assets, and phones hear of it', async () => {
  const before = await pull(technician);
  const [known] = await assets();
  const added = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    kind: 'alarm',
    name: 'Alarm upstairs',
  });
  expect(added.status).toBe(200);
  await manager.call('PUT', `/api/assets/${known?.id}`, {
    kind: 'alarm',
    name: 'Alarm by the door',
    retired: true,
  });
  const heard = (await pull(technician, before.cursor)).of('asset');
  expect(new Map(heard.map(({ name, retired }) => [name, retired]))).toEqual(
    new Map([
      ['Alarm by the door', true],
      ['Alarm upstairs', false],
    ]),
  );
});

test('things stand in areas, and are moved with all that stands in them, never into themselves', async () => {
  const enter = async (name: string, within: string | null, area = false): Promise<string> => {
    const { body } = await manager.call('POST', `/api/sites/${org.site}/assets`, {
      ...{ kind: area ? 'room' : 'pump', name, within, area },
    });
    return (body as { id: string }).id;
  };
  const move = (id: string, to: object) => manager.call('POST', `/api/assets/${id}/move`, to);
  const room = await enter('Valve room', null, true);
  const pump = await enter('Pump 2', room);
  const bearing = await enter('Bearing', pump);
  expect((await move(pump, { site: org.site, within: bearing })).status).toBe(422);
  expect((await move(room, { site: org.site, within: pump })).status).toBe(422);
  expect((await move(pump, { site: org.site, within: randomUUID() })).status).toBe(422);
  expect((await move(pump, { site: randomUUID(), within: null })).status).toBe(404);

  const { body } = await manager.call('POST', '/api/sites', {
    ...{ name: 'Lower cistern', client: '', address: '', lat: 0, lon: 0, access: '' },
    ...{ hazards: [], contacts: [] },
  });
  const lower = (body as { id: string }).id;
  expect((await move(pump, { site: lower, within: null })).status).toBe(200);
  const there = (await manager.call('GET', `/api/sites/${lower}/assets`)).body;
  expect((there as { assets: { id: string; within: string | null }[] }).assets).toMatchObject([
    { id: bearing, within: pump },
    { id: pump, within: null },
  ]);
  const story = (await manager.call('GET', `/api/assets/${pump}/story`)).body as Story;
  expect(story).toMatchObject({ siteName: 'Lower cistern', number: null });
  expect(story.events.map(({ kind }) => kind)).toEqual(['moved', 'entered']);
  expect(story.events[0]).toMatchObject({
    from: expect.stringContaining('Valve room') as string,
    to: 'Lower cistern',
    by: org.people.manager,
  });

  // Two moves at once that would put two things into each other: one of them has to be refused.
  const [one, other] = [await enter('One', null), await enter('Other', null)];
  const both = await Promise.all([
    move(one, { site: org.site, within: other }),
    move(other, { site: org.site, within: one }),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
});

test('a kind has fields, facts have to fit them, and what was known before stays', async () => {
  const fields = [
    { kind: 'text', key: 'maker', label: 'Maker', required: false },
    { kind: 'number', key: 'power', label: 'Power', unit: 'kW', required: false },
  ];
  const kind = { name: 'Motor', fields };
  const made = await manager.call('POST', '/api/asset-kinds', kind);
  expect(made.status).toBe(200);
  const { id: kindId } = made.body as { id: string };
  expect((await manager.call('POST', '/api/asset-kinds', { ...kind, name: ' motor' })).status).toBe(
    409,
  );
  const signature = [{ kind: 'signature', key: 'a', label: 'A', required: false }];
  expect(
    (await manager.call('POST', '/api/asset-kinds', { name: 'B', fields: signature })).status,
  ).toBe(400);

  const draft = (facts: object) => ({ kind: 'motor', name: 'Motor 1', facts });
  const enter = (facts: object) =>
    manager.call('POST', `/api/sites/${org.site}/assets`, draft(facts));
  expect(await enter({ power: { value: 5.5, unit: 'V' } })).toMatchObject({
    status: 422,
    body: { fields: [{ field: 'facts.power' }] },
  });
  expect((await enter({ colour: { value: 'red' } })).status).toBe(422);
  const facts = { maker: { value: 'Harbour foundry' }, power: { value: 5.5, unit: 'kW' } };
  const { body } = await enter(facts);
  const { id } = body as { id: string };

  await manager.call('PUT', `/api/asset-kinds/${kindId}`, { name: 'Motor', fields: [fields[1]] });
  const kept = { ...facts, power: { value: 7.5, unit: 'kW' } };
  expect(await manager.call('PUT', `/api/assets/${id}`, { facts: kept })).toMatchObject({
    status: 200,
    body: { facts: kept },
  });
  const heard = (await pull(technician)).of('asset kind');
  expect(heard).toMatchObject([{ name: 'Motor', fields: [{ key: 'power' }] }]);
});

test('what is known of a thing is one story: sheets, moves, findings, actions, labels', async () => {
  const { job } = await jobOn(dayFromNow(-1));
  const [known] = await assets();
  if (!known) throw new Error('no thing to tell of');
  const row = rowPath('alarms', known.id);
  const said = (path: string, value: unknown) =>
    asEntry(entryOf(org, { sheet: job.sheet.id, path, value } as never));
  await technician.push(
    said(row, { order: 1, name: known.name }),
    said(`${row}/model`, 'S5'),
    said(`${row}/works`, 'no'),
  );
  const action = {
    ...{ id: timeOrderedId(Date.now(), randomBytes(16)), site: org.site, sheet: job.sheet.id },
    ...{ key: `${row}/works`, title: 'New alarm', details: '', severity: 2 },
    ...{ owner: org.people.technician, dueOn: dayFromNow(3) },
  };
  expect((await manager.call('POST', '/api/actions', action)).status).toBeLessThan(300);
  await manager.call('PUT', `/api/assets/${known.id}`, { condition: 'failed', note: 'silent' });
  const story = (await manager.call('GET', `/api/assets/${known.id}/story`)).body as Story;
  expect(story.events.map(({ kind, to }) => `${kind} ${to}`)).toContain('condition failed');
  expect(story.sheets[0]).toMatchObject({
    ...{ sheet: job.sheet.id, answered: 2, by: org.people.technician, stage: 'under way' },
    facts: [{ key: 'model', said: 'S5' }],
  });
  expect(story.actions).toMatchObject([{ title: 'New alarm', state: 'open' }]);
});

test('things are found among all places by name, place, kind, condition and label', async () => {
  const found = async (query: string): Promise<string[]> => {
    const { body } = await manager.call('GET', `/api/assets?${query}`);
    return (body as z.infer<typeof AssetLinesAnswer>).rows.map(({ name }) => name);
  };
  expect(await found('text=pump+2')).toEqual(['Pump 2']);
  expect(await found('text=bearing+lower')).toEqual(['Bearing']);
  expect(await found('kind=MOTOR')).toEqual(['Motor 1']);
  expect(await found('condition=failed&retired=yes')).toHaveLength(1);
  expect(await found('labelled=yes')).toEqual([]);
  const { body } = await manager.call('GET', '/api/assets?text=bearing');
  expect(body).toMatchObject({
    rows: [{ way: ['Pump 2'], siteName: 'Lower cistern', number: null }],
  });
  const table = await manager.call('GET', '/api/assets.csv?kind=motor');
  expect(table.body).toContain('Power: 7.5 kW');
});

test('a job made for a programme says so in its sheet, and is still only planned', async () => {
  const { job } = await jobOn(dayFromNow(2), { programme: 'grant' });
  expect(job.state).toBe('planned');
  const { entries } = (await manager.call('GET', `/api/sheets/${job.sheet.id}`)).body as Dossier;
  expect(entries).toMatchObject([{ path: PROGRAMME_PATH, value: 'grant', by: org.people.manager }]);
  const { status } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'A', instructions: '', day: dayFromNow(2) },
    ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
    person: null,
    programme: 'unheard',
  });
  expect(status).toBe(422);
});

describe('where a thing lies by itself', () => {
  const ring = [
    [-41.31, 38.63],
    [-41.29, 38.63],
    [-41.29, 38.65],
    [-41.31, 38.63],
  ];
  const plot = { type: 'Polygon', coordinates: [ring] };
  const enter = (shape: unknown) =>
    manager.call('POST', `/api/sites/${org.site}/assets`, { kind: 'plot', name: 'Gorse', shape });

  test('is kept, comes to phones and onto the map, and can be taken off it', async () => {
    const { status, body } = await enter(plot);
    expect({ status, body }).toMatchObject({ status: 200, body: { shape: plot } });
    const { id } = body as { id: string };
    const shapes = async () => (await manager.call('GET', '/api/shapes')).body;
    expect(await shapes()).toMatchObject({
      shapes: [{ id, name: 'Gorse', kind: 'plot', site: org.site, shape: plot }],
    });
    const pulled = await pull(technician);
    expect(pulled.of('asset').find((each) => each.id === id)?.shape).toEqual(plot);
    // What says nothing of it leaves it where it is.
    await manager.call('PUT', `/api/assets/${id}`, { name: 'Gorse plot' });
    expect(await shapes()).toMatchObject({ shapes: [{ name: 'Gorse plot', shape: plot }] });
    await manager.call('PUT', `/api/assets/${id}`, { shape: null });
    expect(await shapes()).toEqual({ shapes: [] });
  });

  test.each([
    ['an outline that does not end where it begins', { ...plot, coordinates: [ring.slice(0, 3)] }],
    ['a corner outside the world', { type: 'Point', coordinates: [200, 0] }],
    ['nothing', { type: 'MultiPolygon', coordinates: [] }],
    ['no shape there is', { type: 'Circle', coordinates: [0, 0] }],
    [
      'too many corners',
      { type: 'LineString', coordinates: Array.from({ length: 5_001 }, () => [0, 0]) },
    ],
  ])('%s is refused in words', async (_what, shape) => {
    expect((await enter(shape)).status).toBe(400);
  });
});

test('a thing belongs to areas besides the one it stands in: of its place, and only there', async () => {
  const enter = async (name: string, more: object = {}): Promise<string> => {
    const { body } = await manager.call('POST', `/api/sites/${org.site}/assets`, {
      ...{ name, kind: 'detector', ...more },
    });
    return (body as { id: string }).id;
  };
  const zone = await enter('Zone 4', { area: true, purposes: ['fire'] });
  const thing = await enter('Detector 41', { alsoIn: [zone] });
  const put = (id: string, alsoIn: readonly string[]) =>
    manager.call('PUT', `/api/assets/${id}`, { alsoIn });
  expect((await assets()).find(({ id }) => id === thing)?.alsoIn).toEqual([zone]);
  expect((await put(thing, [thing])).status).toBe(422);
  expect((await put(zone, [zone])).status).toBe(422);
  expect((await put(thing, [randomUUID()])).status).toBe(422);
  expect((await put(thing, [zone, zone])).status).toBe(200);
  const elsewhere = await manager.call('POST', '/api/sites', {
    ...{ name: 'Elsewhere', client: '', address: '', lat: 0, lon: 0, access: '' },
    ...{ hazards: [], contacts: [] },
  });
  const site = (elsewhere.body as { id: string }).id;
  const moved = await manager.call('POST', `/api/assets/${thing}/move`, { site, within: null });
  expect(moved.body).toMatchObject({ site, alsoIn: [] });
  expect((await put(thing, [zone])).status).toBe(422);
});
