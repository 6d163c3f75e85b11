import type { OwnFieldsAnswer } from '@ant-trail/contract/fields';
import type { JobCard } from '@ant-trail/contract/planning';
import type { JobDetails, JobsAnswer } from '@ant-trail/contract/planning/desk';
import type { Client, ClientsAnswer, Site, SitesAnswer } from '@ant-trail/contract/sites';
import type { Facts, Field } from '@ant-trail/core/fields';
import type { z } from 'zod';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Team,
} from './support/office.ts';
import { textOf } from './support/pdf.ts';
import { pull } from './support/pulled.ts';

const FIELDS: readonly Field[] = [
  { kind: 'text', key: 'order', label: 'Order', required: false },
  { kind: 'number', key: 'depth', label: 'Depth', unit: 'm', alsoIn: ['cm'], required: false },
  {
    ...{ kind: 'choice', key: 'paid', label: 'Paid by', required: false },
    options: [
      { key: 'us', label: 'Ourselves' },
      { key: 'them', label: 'The parish' },
    ],
  },
  { kind: 'date', key: 'until', label: 'Until', required: false },
];

let office: Office;
let team: Team;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`own${++count}`);
  ({ manager } = team);
});

const define = (holder: string, fields = FIELDS, reported: string[] = ['order']) =>
  manager.call('PUT', `/api/own-fields/${holder}`, { fields, reported });
const narrowed = (...where: unknown[]): string =>
  `where=${encodeURIComponent(JSON.stringify(where))}`;

const place = (name: string, own: Facts): Promise<{ status: number; body: unknown }> =>
  manager.call('POST', '/api/sites', {
    ...{ name, client: '', address: '', lat: 38, lon: -41, access: '', hazards: [], contacts: [] },
    own,
  });
const client = (name: string, own: Facts): Promise<{ status: number; body: unknown }> =>
  manager.call('POST', '/api/clients', {
    ...{ name, number: '', address: '', contacts: [], note: '', own },
  });
const job = (title: string, own: Facts): Promise<{ status: number; body: unknown }> =>
  manager.call('POST', '/api/jobs', {
    ...{ site: team.org.site, template: team.org.template, title, instructions: '' },
    ...{
      day: new Date().toISOString().slice(0, 10),
      windowFrom: null,
      windowTo: null,
      start: 480,
      minutes: 30,
    },
    ...{ person: team.org.people.technician, recipients: [], own },
  });

const KNOWN: readonly Facts[] = [
  {
    order: { value: 'A 17 marsh' },
    depth: { value: 3.5, unit: 'm' },
    paid: { value: 'us' },
    until: { value: '2031-06-01' },
  },
  { order: { value: 'B 18' }, depth: { value: 80, unit: 'cm' }, paid: { value: 'them' } },
  {},
];

const HOLDERS: readonly [
  holder: string,
  path: string,
  make: (name: string, own: Facts) => Promise<{ status: number; body: unknown }>,
][] = [
  ['place', '/api/sites', place],
  ['client', '/api/clients', client],
  ['job', '/api/jobs', job],
];

const nameOf = (row: Site | Client | JobCard): string => ('job' in row ? row.job.title : row.name);

describe.each(HOLDERS)('own fields of a %s', (holder, path, make) => {
  beforeEach(async () => {
    expect((await define(holder)).status).toBe(200);
    for (const [at, own] of KNOWN.entries())
      expect((await make(`Fen ${at}`, own)).status).toBe(200);
  });

  const found = async (query: string): Promise<string[]> => {
    const { status, body } = await manager.call('GET', `${path}?${query}`);
    expect(status).toBe(200);
    const { rows } = body as
      z.infer<typeof SitesAnswer> | z.infer<typeof ClientsAnswer> | z.infer<typeof JobsAnswer>;
    return rows
      .map(nameOf)
      .filter((name) => name.startsWith('Fen'))
      .sort();
  };

  test('narrow the list, each by what it is; numbers in the unit of the field', async () => {
    expect(await found(narrowed(['order', 'has', 'MARSH']))).toEqual(['Fen 0']);
    expect(await found(narrowed(['depth', 'from', null, 1]))).toEqual(['Fen 1']);
    expect(await found(narrowed(['depth', 'from', 0.8, 3.5]))).toEqual(['Fen 0', 'Fen 1']);
    expect(await found(narrowed(['paid', 'is', 'them']))).toEqual(['Fen 1']);
    expect(await found(narrowed(['until', 'days', '2031-05-01', null]))).toEqual(['Fen 0']);
    expect(await found(narrowed(['paid', 'is', 'us'], ['order', 'has', '18']))).toEqual([]);
    expect(await found(narrowed(['constructor', 'has', 'a']))).toEqual([]);
  });

  test('are found by their words, as they are read', async () => {
    expect(await found('text=marsh')).toEqual(['Fen 0']);
    expect(await found('text=parish')).toEqual(['Fen 1']);
  });

  test('are columns of the table', async () => {
    const { body } = await manager.call('GET', `${path}.csv?${narrowed(['order', 'has', 'b 18'])}`);
    const [titles, line] = String(body).split(/\r?\n/);
    expect(titles).toMatch(/,Order,Depth,Paid by,Until,Id$/);
    expect(line).toContain('B 18,80 cm,The parish,,');
  });
});

test('what does not fit is refused by name, and what was known before stays', async () => {
  await define('place');
  const wrong = await place('Fen', { paid: { value: 'nobody' } });
  expect(wrong.status).toBe(422);
  expect(wrong.body).toMatchObject({ fields: [{ field: 'own.paid' }] });
  const unknown = await place('Fen', { colour: { value: 'red' } });
  expect(unknown).toMatchObject({ status: 422 });
  const made = (await place('Fen', { order: { value: 'A 1' } })).body as Site;
  await define('place', FIELDS.slice(1), []);
  const { id, ...draft } = made;
  // Changed by somebody whose page knows of no own fields, and by one who leaves them as they are.
  const { own, ...without } = draft;
  for (const body of [without, { ...draft, own }]) {
    const changed = await manager.call('PUT', `/api/sites/${id}`, { ...body, address: 'Low road' });
    expect(changed.body).toMatchObject({ address: 'Low road', own: { order: { value: 'A 1' } } });
  }
  expect((await manager.call('PUT', `/api/sites/${id}`, { ...draft, own: {} })).body).toMatchObject(
    { own: {} },
  );
});

test('those of a job are written later as well; its phones have them, and how they are read', async () => {
  await define('job');
  const made = (await job('Fen', {})).body as JobCard;
  const written = await manager.call('PUT', `/api/jobs/${made.job.id}/own`, {
    own: { depth: { value: 2, unit: 'm' } },
  });
  expect((written.body as JobDetails).card.job.own).toEqual({ depth: { value: 2, unit: 'm' } });
  expect(
    (await manager.call('PUT', `/api/jobs/${made.job.id}/own`, { own: { depth: { value: 'x' } } }))
      .status,
  ).toBe(422);
  const { changes, cursor } = await pull(team.technician);
  const bodies = (kind: string, from = changes): unknown[] =>
    from.filter((change) => change.kind === kind).map(({ body }) => body);
  expect(bodies('own fields')).toMatchObject([{ holder: 'job', reported: ['order'] }]);
  expect(bodies('job')).toContainEqual(
    expect.objectContaining({ id: made.job.id, own: { depth: { value: 2, unit: 'm' } } }),
  );
  await define('job', FIELDS.slice(0, 1), []);
  const after = await pull(team.technician, cursor);
  expect(bodies('own fields', after.changes)).toMatchObject([{ holder: 'job', reported: [] }]);
});

test('files bring them, and a line that does not fit is named', async () => {
  await define('place');
  const lines = [
    'Place,Latitude,Longitude,Order,Depth,Paid by,Until',
    'Fen one,38,-41,A 1,2.5,the parish,2031-06-01',
    'Fen two,38,-41,,deep,,',
    'Fen three,38,-41,,,nobody,',
  ];
  const sent = {
    ...{ name: 'places.csv', content: Buffer.from(lines.join('\n')).toString('base64') },
    uses: ['name', 'lat', 'lon', 'field order', 'field depth', 'field paid by', 'field until'],
  };
  const looked = await manager.call('POST', '/api/imports/places', {
    ...{ ...sent, really: false, without: false },
  });
  expect(looked.body).toMatchObject({ fits: 1, refused: [{ line: 3 }, { line: 4 }] });
  const { status } = await manager.call('POST', '/api/imports/places', {
    ...{ ...sent, really: true, without: true },
  });
  expect(status).toBe(200);
  const { body } = await manager.call('GET', '/api/sites?text=parish');
  expect((body as z.infer<typeof SitesAnswer>).rows).toMatchObject([
    { name: 'Fen one', own: { depth: { value: 2.5, unit: 'm' }, paid: { value: 'them' } } },
  ]);
});

test('reports show those they are to show, and no others', async () => {
  await define('place', FIELDS, ['order', 'depth']);
  await define('job', [{ kind: 'text', key: 'cost', label: 'Cost centre', required: false }], []);
  const site = (await manager.call('GET', `/api/sites/${team.org.site}`)).body as Site;
  const { id, ...draft } = site;
  await manager.call('PUT', `/api/sites/${id}`, {
    ...draft,
    own: {
      order: { value: 'Quernstone 9' },
      depth: { value: 80, unit: 'cm' },
      paid: { value: 'us' },
    },
  });
  const { sheet } = ((await job('Fen', { cost: { value: 'Hushed 4' } })).body as JobCard).job;
  await team.technician.push(
    asEntry(entryOf(team.org, { sheet: sheet.id, path: '~stage', kind: 'finish', value: null })),
  );
  const response = await fetch(`${office.url}/api/records/reports`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: manager.cookie },
    body: JSON.stringify({ sheets: [sheet.id] }),
  });
  const words = (await textOf(await response.arrayBuffer())).join(' ').replaceAll(/\s+/g, ' ');
  expect(words).toContain('Quernstone 9');
  expect(words).toContain('80 cm');
  expect(words).not.toContain('Paid by');
  expect(words).not.toContain('Hushed');
});

test('only who keeps places defines them; two fields of one key are refused', async () => {
  expect(
    (await team.technician.call('PUT', '/api/own-fields/job', { fields: [], reported: [] })).status,
  ).toBe(403);
  expect((await define('job', [...FIELDS, ...FIELDS])).status).toBe(400);
  await Promise.all([define('client'), define('client'), define('client')]);
  const { body } = await manager.call('GET', '/api/own-fields');
  expect((body as z.infer<typeof OwnFieldsAnswer>).own).toHaveLength(1);
});
