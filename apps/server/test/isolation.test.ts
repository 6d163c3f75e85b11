import { randomUUID } from 'node:crypto';
import { timeOrderedId } from '@ant-trail/core/log';
import {
  asEntry,
  entryOf,
  openOffice,
  TEMPLATE,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';

let office: Office;
let a: Organisation;
let b: Organisation;
let intruder: Caller;
let action: string;
let catalogue: string;
let asset: string;
let before: string;
const SHA = 'ab'.repeat(32);

/** Everything organisation B has, as one text: to see that nothing of it changed. */
async function allOfB(): Promise<string> {
  const tables = [
    'site',
    'job',
    'visit',
    'visit_event',
    'sheet',
    'entry',
    'reading',
    'action',
    'action_move',
    'person',
    'media',
    'mail_message',
    'catalogue',
    'asset',
  ];
  const parts: unknown[] = [];
  await office.data.transaction(async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [b.id]);
    for (const table of tables) parts.push(await db.query(`SELECT * FROM ${table} ORDER BY 1, 2`));
  });
  return JSON.stringify(parts);
}

beforeAll(async () => {
  office = await openOffice();
  a = await office.newOrganisation('hither');
  b = await office.newOrganisation('yonder');
  intruder = await office.signIn(a.emails.manager);
  const owner = await office.signIn(b.emails.manager);
  const technician = await office.signIn(b.emails.technician);
  await technician.push(asEntry(entryOf(b, { value: 77 })));
  action = timeOrderedId(Date.now(), new Uint8Array(16));
  await owner.call('POST', '/api/actions', draftOf(b, action));
  const imported = await owner.call('POST', '/api/catalogues', CATALOGUE);
  catalogue = (imported.body as { id: string }).id;
  const added = await owner.call('POST', `/api/sites/${b.site}/assets`, THING);
  asset = (added.body as { id: string }).id;
  before = await allOfB();
});
afterAll(() => office.close());

const draftOf = (org: Organisation, id: string, own = org) => ({
  id,
  site: org.site,
  sheet: org.sheet,
  key: null,
  title: org.id === b.id ? 'Secret of B' : 'Own',
  details: '',
  severity: 2,
  owner: own.people.technician,
  dueOn: '2031-01-01',
});
const jobFor = (site: string, template: string, person: string | null) => ({
  site,
  template,
  title: 'Taken over',
  instructions: '',
  day: '2031-01-01',
  windowFrom: null,
  windowTo: null,
  start: 480,
  minutes: 45,
  person,
  recipients: [],
});
const THING = { kind: 'extinguisher', name: 'Extinguisher of yonder' };
const CATALOGUE = {
  key: 'products',
  name: 'Products',
  after: 0,
  columns: [],
  rows: [{ code: '1', label: 'Product of yonder', fields: {} }],
};
const PLACE = {
  name: 'x',
  client: '',
  address: '',
  lat: 1,
  lon: 1,
  access: '',
  hazards: [],
  contacts: [],
};

/** How A tries to reach B by each route. A new route fails this suite until it stands here. */
const TRIES: Record<string, () => { at: string; body?: unknown }[]> = {
  'get /api/me': () => [{ at: '/api/me' }],
  'get /api/people': () => [{ at: '/api/people' }],
  'get /api/sites': () => [{ at: '/api/sites' }],
  'post /api/sites': () => [{ at: '/api/sites', body: { ...PLACE, id: b.site, org: b.id } }],
  'put /api/sites/:id': () => [{ at: `/api/sites/${b.site}`, body: PLACE }],
  'get /api/sites/:id/assets': () => [{ at: `/api/sites/${b.site}/assets` }],
  'post /api/sites/:id/assets': () => [{ at: `/api/sites/${b.site}/assets`, body: THING }],
  'put /api/assets/:id': () => [{ at: `/api/assets/${asset}`, body: { ...THING, retired: true } }],
  'get /api/templates': () => [{ at: '/api/templates' }],
  'post /api/templates': () => [
    { at: '/api/templates', body: { template: b.template, after: 1, body: TEMPLATE } },
  ],
  'get /api/catalogues': () => [{ at: '/api/catalogues' }],
  'get /api/catalogues/:id': () => [{ at: `/api/catalogues/${catalogue}` }],
  'get /api/catalogues/:id/rows.:format': () => [
    { at: `/api/catalogues/${catalogue}/rows.csv` },
    { at: `/api/catalogues/${catalogue}/rows.xlsx` },
  ],
  'post /api/catalogues': () => [{ at: '/api/catalogues', body: { ...CATALOGUE, after: 1 } }],
  'post /api/tables': () => [
    { at: '/api/tables', body: { name: 'x.csv', content: Buffer.from('a,b').toString('base64') } },
  ],
  'get /api/day': () => [{ at: `/api/day?day=${new Date().toISOString().slice(0, 10)}` }],
  'get /api/jobs': () => [{ at: '/api/jobs' }, { at: '/api/jobs?state=under%20way' }],
  'post /api/jobs': () => [
    { at: '/api/jobs', body: jobFor(b.site, a.template, null) },
    { at: '/api/jobs', body: jobFor(a.site, b.template, null) },
    { at: '/api/jobs', body: jobFor(a.site, a.template, b.people.technician) },
  ],
  'put /api/visits/:id/plan': () => [
    {
      at: `/api/visits/${b.visit}/plan`,
      body: { person: null, day: '2031-01-01', start: 1, minutes: 5 },
    },
    {
      at: `/api/visits/${a.visit}/plan`,
      body: { person: b.people.technician, day: '2031-01-01', start: 1, minutes: 5 },
    },
  ],
  'get /api/review': () => [{ at: '/api/review' }],
  'get /api/sheets/:id': () => [{ at: `/api/sheets/${b.sheet}` }],
  'get /api/sheets/:id/report.pdf': () => [{ at: `/api/sheets/${b.sheet}/report.pdf` }],
  'get /api/sheets/:id/answers.:format': () => [
    { at: `/api/sheets/${b.sheet}/answers.csv` },
    { at: `/api/sheets/${b.sheet}/answers.xlsx` },
  ],
  'get /api/sheets/:id/sketch.svg': () => [{ at: `/api/sheets/${b.sheet}/sketch.svg?path=temp` }],
  'get /api/actions': () => [{ at: '/api/actions' }],
  'post /api/actions': () => [
    {
      at: '/api/actions',
      body: { ...draftOf(b, timeOrderedId(Date.now(), new Uint8Array(16).fill(1)), a) },
    },
    { at: '/api/actions', body: { ...draftOf(a, action) } },
    {
      at: '/api/actions',
      body: { ...draftOf(a, timeOrderedId(Date.now(), new Uint8Array(16).fill(2)), b) },
    },
  ],
  'post /api/actions/:id/moves': () => [
    { at: `/api/actions/${action}/moves`, body: { to: 'dropped', note: 'x' } },
  ],
  'post /api/push': () => [
    { at: '/api/push', body: { operations: [asEntry(entryOf(b, { by: a.people.manager }))] } },
    {
      at: '/api/push',
      body: {
        operations: [asEntry(entryOf(b, { kind: 'correct', reason: 'x', by: a.people.manager }))],
      },
    },
    {
      at: '/api/push',
      body: {
        operations: [
          {
            kind: 'visit event',
            body: {
              id: timeOrderedId(Date.now(), new Uint8Array(16)),
              visit: b.visit,
              kind: 'arrived',
              by: b.people.technician,
              at: new Date().toISOString(),
              fix: null,
              distance: null,
            },
          },
        ],
      },
    },
    {
      at: '/api/push',
      body: {
        operations: [
          {
            kind: 'action',
            body: draftOf(b, timeOrderedId(Date.now(), new Uint8Array(16).fill(3)), a),
          },
        ],
      },
    },
  ],
  'get /api/pull': () => [{ at: '/api/pull' }, { at: '/api/pull?cursor=at.0' }],
  'post /api/media/receipts': () => [{ at: '/api/media/receipts', body: { sha256: [SHA] } }],
  'get /api/media/:sha256': () => [{ at: `/api/media/${SHA}` }],
  'get /api/mail': () => [{ at: '/api/mail' }],
  'get /api/mail/:id/attachments/:index': () => [{ at: `/api/mail/${randomUUID()}/attachments/0` }],
};

test('every route is tried', () => {
  expect(Object.keys(TRIES).sort()).toEqual(
    office.routes.map((route) => `${route.method} ${route.path}`).sort(),
  );
});

test('by no route can A read anything of B, or change it', async () => {
  const secrets = [b.site, b.sheet, b.job, b.visit, b.people.technician, 'yonder', 'Secret of B'];
  for (const [name, tries] of Object.entries(TRIES))
    for (const { at, body } of tries()) {
      const method = name.split(' ')[0]?.toUpperCase() ?? 'GET';
      const { status, body: answer } = await intruder.call(method, at, body);
      const said = JSON.stringify(answer);
      for (const secret of secrets)
        if (!JSON.stringify(body ?? '').includes(secret) && !at.includes(secret))
          expect(`${name}: ${said}`).not.toContain(secret);
      expect(`${name}: ${status}`).not.toMatch(/: 5/);
    }
  expect(await allOfB()).toBe(before);
});

test('a technician is kept out of every route of the office', async () => {
  const technician = await office.signIn(a.emails.technician);
  for (const route of office.routes) {
    if (route.allowed === 'signed in') continue;
    const [first] = TRIES[`${route.method} ${route.path}`]?.() ?? [];
    if (!first) continue;
    const { status } = await technician.call(route.method.toUpperCase(), first.at, first.body);
    expect(`${route.method} ${route.path}: ${status}`).toBe(`${route.method} ${route.path}: 403`);
  }
});

test('nobody who is not signed in gets anything', async () => {
  for (const route of office.routes) {
    const [first] = TRIES[`${route.method} ${route.path}`]?.() ?? [];
    const response = await fetch(office.url + (first?.at ?? ''), {
      method: route.method.toUpperCase(),
    });
    expect(`${route.path}: ${response.status}`).toBe(`${route.path}: 401`);
  }
});

test('the application’s role sees nothing without an organisation, and can’t lift the rule', async () => {
  expect(await office.data.query(`SELECT * FROM person`)).toEqual([]);
  await expect(office.data.query(`ALTER TABLE person DISABLE ROW LEVEL SECURITY`)).rejects.toThrow(
    /owner/,
  );
  const [role] = await office.data.query<{ rolbypassrls: boolean; rolsuper: boolean }[]>(
    `SELECT rolbypassrls, rolsuper FROM pg_roles WHERE rolname = current_user`,
  );
  expect(role).toEqual({ rolbypassrls: false, rolsuper: false });
});

test('every table that holds an organisation’s rows is kept apart', async () => {
  const open = await office.data.query<{ relname: string }[]>(
    `SELECT relname FROM pg_class c JOIN pg_namespace n ON n.oid = relnamespace
     WHERE nspname = 'public' AND relkind = 'r' AND relname <> 'migration'
       AND NOT (relrowsecurity AND relforcerowsecurity)`,
  );
  expect(open).toEqual([]);
});
