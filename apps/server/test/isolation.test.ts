import { may } from '@ant-trail/core/accounts';
import { setTimeout as sleep } from 'node:timers/promises';
import type { OfficeDocument } from '@ant-trail/contract/documents';
import type { LabelGrid } from '@ant-trail/contract/labels';
import type { Tag } from '@ant-trail/contract/tags';
import { timeOrderedId } from '@ant-trail/core/log';
import { inOrganisation } from '../src/database/tenancy.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  TEMPLATE,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { keptFile } from './support/kept-file.ts';

let office: Office;
let a: Organisation;
let b: Organisation;
let intruder: Caller;
let action: string;
let catalogue: string;
let note = '';
let asset: string;
let other: string;
let kind = '';
let client = '';
let label: Tag;
let mail = '';
let round = '';
let before: Record<string, string[]>;
const SHA = 'ab'.repeat(32);

/** Every table in which rows of organisations lie, as the database itself knows them. */
async function tenantTables(): Promise<string[]> {
  const rows = await office.data.query<{ name: string }[]>(
    `SELECT c.relname AS name FROM pg_class c
     JOIN pg_namespace n ON n.oid = c.relnamespace AND n.nspname = 'public'
     JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'org_id' AND NOT a.attisdropped
     WHERE c.relkind = 'r' ORDER BY 1`,
  );
  return rows.map(({ name }) => name);
}

/** Everything organisation B has, table by table: to see that nothing of it changed. */
async function allOfB(): Promise<Record<string, string[]>> {
  const tables = await tenantTables();
  return office.data.transaction(async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [b.id]);
    const all: Record<string, string[]> = {};
    for (const table of tables) {
      const rows = await db.query<{ row: string }[]>(
        `SELECT to_jsonb(t)::text AS row FROM ${table} t ORDER BY 1`,
      );
      all[table] = rows.map(({ row }) => row);
    }
    return all;
  });
}

beforeAll(async () => {
  office = await openOffice();
  a = await office.newOrganisation('hither');
  b = await office.newOrganisation('yonder');
  intruder = await office.signIn(a.emails.manager);
  const owner = await office.signIn(b.emails.manager);
  const reviewer = await office.signIn(b.emails.reviewer);
  const technician = await office.signIn(b.emails.technician);
  const finish = entryOf(b, { path: '~stage', kind: 'finish', value: null });
  const approve = { path: '~stage', kind: 'approve', value: null, seen: [finish.id] } as const;
  await technician.push(
    { kind: 'visit event', body: arrivalAt(b) },
    asEntry(entryOf(b, { value: 77 })),
    asEntry(finish),
  );
  await reviewer.push(asEntry(entryOf(b, { ...approve, by: b.people.reviewer })));
  action = timeOrderedId(Date.now(), new Uint8Array(16));
  await owner.call('POST', '/api/actions', draftOf(b, action));
  other = timeOrderedId(Date.now(), new Uint8Array(16).fill(7));
  await owner.call('POST', '/api/actions', draftOf(b, other));
  await owner.call('POST', `/api/actions/${action}/moves`, { to: 'in hand', note: '' });
  // The job is closed and opened again, and handed over once.
  for (const decision of ['closed', 'reopened'])
    await owner.call('POST', `/api/jobs/${b.job}/decisions`, { decision, reason: 'Secret of B' });
  await technician.push({
    kind: 'handover',
    body: {
      ...{
        id: idFrom(31),
        job: b.job,
        visit: b.visit,
        sheet: null,
        to: b.people.manager,
        word: '',
      },
      ...{ by: b.people.technician, at: new Date().toISOString() },
    },
  });
  const imported = await owner.call('POST', '/api/catalogues', CATALOGUE);
  catalogue = (imported.body as { id: string }).id;
  const added = await owner.call('POST', `/api/sites/${b.site}/assets`, THING);
  asset = (added.body as { id: string }).id;
  const patron = await owner.call('POST', '/api/clients', { ...CLIENT, name: 'Secret of B' });
  client = (patron.body as { id: string }).id;
  await owner.call('PUT', `/api/sites/${b.site}/arrival`, { words: 'Secret of B', after: 0 });
  await owner.call('POST', `/api/sites/${b.site}/arrival/reading`);
  const made = await owner.call('POST', '/api/asset-kinds', { ...PUMPS, name: 'Secret of B' });
  kind = (made.body as { id: string }).id;
  await owner.call('POST', '/api/labels', { assets: [asset], grid: GRID });
  const labels = (await owner.call('GET', `/api/sites/${b.site}/tags`)).body as { tags: Tag[] };
  [label] = labels.tags as [Tag];
  await office.settled();
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO sheet_thing (org_id, sheet_id, asset_id, said) VALUES ($1, $2, $3, '{}')`,
      [...[b.id, b.sheet, asset]],
    ),
  );
  const left = await owner.call('POST', `/api/sites/${b.site}/notes`, { text: 'Secret of B' });
  note = (left.body as { id: string }).id;
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO media (org_id, sha256, type, bytes, by) VALUES ($1, $2, 'image/png', 1, $3)`,
      [b.id, SHA, b.people.technician],
    ),
  );
  // The report of the approved sheet is drawn and mailed in the background.
  for (let tries = 0; tries < 600 && mail === ''; tries++) {
    const { body } = await owner.call('GET', '/api/mail');
    mail = (body as { rows: { id: string }[] }).rows[0]?.id ?? '';
    if (mail === '') await sleep(50);
  }
  await owner.call('POST', '/api/me/calendar');
  await owner.call('POST', '/api/planners', { day: '2031-01-01' });
  await owner.call('POST', '/api/hours/entries', clockOf(b, b));
  await owner.call('POST', '/api/messages', messageOf(b, b));
  await inOrganisation(office.data, b.id, async (db) => {
    await db.query(`INSERT INTO site_time (org_id, id, visit_id, body) VALUES ($1, $2, $3, '{}')`, [
      ...[b.id, idFrom(79), b.visit],
    ]);
    await db.query(
      `INSERT INTO hours_approval (org_id, person_id, monday, minutes, mark, by)
       VALUES ($1, $2, '2020-01-06', 60, 'x', $3)`,
      [b.id, b.people.technician, b.people.manager],
    );
  });
  const walked = await owner.call('POST', '/api/rounds', roundAt(b));
  round = (walked.body as { id: string }).id;
  await owner.call('PUT', '/api/holidays', HOLIDAYS);
  // It is planned ahead in the background.
  for (let tries = 0, made = 0; tries < 600 && made === 0; tries++) {
    const { body } = await owner.call('GET', `/api/rounds/${round}`);
    made = (body as { walks: unknown[] }).walks.length;
    if (made === 0) await sleep(50);
  }
  await owner.call('POST', '/api/people', SOMEBODY);
  await owner.call('PUT', '/api/views', VIEW);
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO follow_up (org_id, sheet_id, day, trouble) VALUES ($1, $2, '2031-04-08', $3)`,
      [b.id, b.sheet, 'Secret of B'],
    ),
  );
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO client_rule (org_id, client_id, template_id, follow_up) VALUES ($1, $2, $3, $4)`,
      [b.id, client, b.template, JSON.stringify({ title: 'Secret of B' })],
    ),
  );
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO favourite (org_id, person_id, ref, of_what, is_on, said) VALUES ($1, $2, $3, 'place', true, $4)`,
      [b.id, b.people.manager, b.site, idFrom(34)],
    ),
  );
  await inOrganisation(office.data, b.id, (db) =>
    db.query(`INSERT INTO signed_on_site (org_id, id, job_id, body) VALUES ($1, $2, $3, $4)`, [
      ...[b.id, idFrom(33), b.job, JSON.stringify({ role: 'Secret of B' })],
    ]),
  );
  await inOrganisation(office.data, b.id, (db) =>
    db.query(
      `INSERT INTO on_the_way (org_id, id, visit_id, body, outcome) VALUES ($1, $2, $3, $4, 'sent')`,
      [b.id, idFrom(32), b.visit, JSON.stringify({ to: { name: 'Secret of B' } })],
    ),
  );
  await inOrganisation(office.data, b.id, (db) =>
    db.query(`INSERT INTO taken_visit (org_id, visit_id, person_id) VALUES ($1, $2, $3)`, [
      ...[b.id, b.visit, b.people.reviewer],
    ]),
  );
  await owner.call('PUT', '/api/own-fields/job', {
    fields: [{ kind: 'text', key: 'secret', label: 'Secret of B', required: false }],
    reported: [],
  });
  told = {
    ...{ id: timeOrderedId(Date.now(), new Uint8Array(16).fill(9)), words: 'Secret of B' },
    ...{ picture: null, screen: '/day', version: '1', device: 'x', by: b.people.manager },
    at: '2031-01-01T00:00:00Z',
  };
  await owner.call('POST', '/api/feedback', told);
  fileOfB = { sha256: await keptFile(office, b, 'Secret of B'), file: 'b.pdf', note: '' };
  const shown = await owner.call('POST', '/api/documents', {
    ...{ name: 'Secret of B', note: '', links: [{ to: 'site', ref: b.site }], first: fileOfB },
  });
  document = shown.body as OfficeDocument;
  const drawn = await owner.call('POST', '/api/map', LAYER);
  layer = (drawn.body as { id: string }).id;
  const opened = await owner.call('POST', '/api/branches', { name: 'Secret of B' });
  branch = (opened.body as { id: string }).id;
  // What B’s own sheets come to is worked off first: afterwards only A could change anything.
  await office.settled();
  before = await allOfB();
});
afterAll(() => office.close());

const CLIENT = { name: 'Assembly', number: '', address: '', contacts: [], note: '' };
const FILE = Buffer.from('Name,E-mail\nA,a@a.example\n').toString('base64');
const IMPORT = {
  name: 'a.csv',
  content: FILE,
  uses: ['name', 'email'],
  really: false,
  without: false,
};
const PUMPS = { name: 'Pump', fields: [] };
const GRID: LabelGrid = {
  ...{ paper: 'A4', columns: 3, rows: 8, width: 70, height: 36 },
  ...{ left: 0, top: 4.5, gapX: 0, gapY: 0 },
};
const VIEW = { list: 'jobs', name: 'Late ones', query: { text: 'yonder' }, hidden: [] };
const SOMEBODY = {
  ...{ name: 'Somebody New', email: 'somebody@new.example', phone: '', trade: '' },
  ...{ roles: ['technician'], credentials: [] },
};
const arrivalAt = (org: Organisation) => ({
  id: timeOrderedId(Date.now(), new Uint8Array(16).fill(4)),
  visit: org.visit,
  kind: 'arrived',
  by: org.people.technician,
  at: new Date().toISOString(),
  fix: null,
  distance: null,
});
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
const helpedBy = (org: Organisation) => ({ helpers: [org.people.technician] });
const moreOf = (template: string) => ({ moreSheets: [{ template, asset: null, person: null }] });
const aboutThing = (id: string) => ({
  moreSheets: [{ template: a.template, asset: id, person: null }],
});
const idFrom = (fill: number): string => timeOrderedId(Date.now(), new Uint8Array(16).fill(fill));
/** Work that A begins or gives away with something of B in it. */
const noteAt = (site: string) => ({
  kind: 'site note',
  body: {
    ...{ id: idFrom(41), site, text: 'From A', by: a.people.manager },
    at: new Date().toISOString(),
  },
});
const begunWith = (site: string, version: string) => ({
  kind: 'job begun',
  body: {
    ...{ id: idFrom(21), visit: idFrom(22), sheet: idFrom(23), site, version, title: 'Own' },
    ...{ day: '2031-01-01', start: 480, by: a.people.manager, at: new Date().toISOString() },
  },
});
const addedTo = (job: string, version: string, over: object = {}) => ({
  kind: 'sheet added',
  body: {
    ...{ id: idFrom(24), job, version, asset: null, person: null },
    ...{ by: a.people.manager, at: new Date().toISOString(), ...over },
  },
});
const handedOver = (job: string, over: object) => ({
  kind: 'handover',
  body: {
    ...{ id: idFrom(25), job, visit: null, sheet: null, to: a.people.technician, word: '' },
    ...{ by: a.people.manager, at: new Date().toISOString(), ...over },
  },
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

interface Try {
  readonly at: string;
  readonly body?: unknown;
  /** What the office answers: as if B were not there. */
  readonly gives?: number;
}

/** How A tries to reach B by each route. A new route fails this suite until it stands here. */
const LAYER = {
  ...{ name: 'Secret of B', look: 'path' },
  content: {
    type: 'FeatureCollection',
    features: [
      {
        ...{ type: 'Feature', properties: null },
        geometry: {
          type: 'LineString',
          coordinates: [
            [0, 0],
            [1, 1],
          ],
        },
      },
    ],
  },
};
let layer = '';
let told: object;
let document: OfficeDocument;
let fileOfB = { sha256: '', file: '', note: '' };
const MANY = {
  ...{ title: 'Own', instructions: '', day: '2031-04-08', start: 480, minutes: 20, person: null },
};
const HOLIDAYS = { holidays: [{ day: '2031-05-01', name: 'Quay day' }] };
const stopAt = ({ site, template }: Organisation) => ({ site, template, asset: null, minutes: 20 });
const roundAt = (at: Organisation) => ({
  ...{ name: 'Secret of B', rule: 'FREQ=DAILY', begins: '2026-01-01', without: [], besides: [] },
  ...{ onHolidays: 'as ever', start: 480, person: null, instructions: '', recipients: [] },
  ...{ reader: null, stops: [stopAt(at)] },
});
const DOCUMENT = { name: 'Own', note: '', links: [] };
let branch = '';
const AT = 'day=2031-04-08&start=540&minutes=60';

/** Somebody of one organisation writes to somebody of another. */
const messageOf = (who: Organisation, whose: Organisation): object => ({
  ...{ id: idFrom(76), person: whose.people.technician, visit: null, text: 'Secret of B' },
  ...{ by: who.people.manager, at: '2020-01-06T07:00:00Z' },
});

/** Somebody of one organisation says when the day of somebody of another began. */
const clockOf = (who: Organisation, whose: Organisation): object => ({
  ...{ id: idFrom(77), person: whose.people.technician, day: '2020-01-06', step: 'began' },
  ...{ at: '2020-01-06T07:00:00Z', insteadOf: null, reason: 'Forgot it', by: who.people.manager },
  saidAt: '2020-01-06T09:00:00Z',
});

const TRIES: Record<string, () => Try[]> = {
  'get /api/openapi.json': () => [{ at: '/api/openapi.json', gives: 200 }],
  'get /api/me': () => [{ at: '/api/me', gives: 200 }],
  'put /api/me/settings': () => [{ at: '/api/me/settings', body: { theme: 'dark' }, gives: 200 }],
  'get /api/me/calendar': () => [{ at: '/api/me/calendar', gives: 200 }],
  'post /api/me/calendar': () => [{ at: '/api/me/calendar', gives: 200 }],
  'post /api/me/calendar/removal': () => [{ at: '/api/me/calendar/removal', gives: 200 }],
  'put /api/me/branch': () => [{ at: '/api/me/branch', body: { branch } }],
  'get /api/branches': () => [{ at: '/api/branches', gives: 200 }],
  'post /api/branches': () => [{ at: '/api/branches', body: { name: 'Own' }, gives: 200 }],
  'put /api/branches/:id': () => [{ at: `/api/branches/${branch}`, body: { name: 'Taken' } }],
  'get /api/feedback': () => [{ at: '/api/feedback', gives: 200 }],
  // In the name of somebody of B.
  'post /api/feedback': () => [{ at: '/api/feedback', body: told, gives: 409 }],
  'get /api/documents': () => [
    { at: '/api/documents', gives: 200 },
    { at: `/api/documents?to=site&ref=${b.site}`, gives: 200 },
  ],
  'get /api/documents.:format': () => [{ at: '/api/documents.csv', gives: 200 }],
  'get /api/documents/:id': () => [{ at: `/api/documents/${document.id}` }],
  'get /api/documents/:id/versions/:version/file': () => [
    { at: `/api/documents/${document.id}/versions/${document.version.id}/file` },
  ],
  'post /api/documents': () => [
    { at: '/api/documents', body: { ...DOCUMENT, first: fileOfB }, gives: 422 },
    {
      ...{ at: '/api/documents', gives: 422 },
      body: { ...DOCUMENT, links: [{ to: 'site', ref: b.site }], first: fileOfB },
    },
  ],
  'put /api/documents/:id': () => [{ at: `/api/documents/${document.id}`, body: DOCUMENT }],
  'put /api/documents/:id/retired': () => [
    { at: `/api/documents/${document.id}/retired`, body: { retired: true } },
  ],
  'post /api/documents/:id/versions': () => [
    { at: `/api/documents/${document.id}/versions`, body: { ...fileOfB, current: true } },
  ],
  'put /api/documents/:id/current': () => [
    { at: `/api/documents/${document.id}/current`, body: { version: document.version.id } },
  ],
  'get /api/own-fields': () => [{ at: '/api/own-fields', gives: 200 }],
  // Its own are defined; those of B stay as they are.
  'put /api/own-fields/:holder': () => [
    { at: '/api/own-fields/job', body: { fields: [], reported: [] }, gives: 200 },
  ],
  'put /api/jobs/:id/own': () => [{ at: `/api/jobs/${b.job}/own`, body: { own: {} } }],
  'get /api/map': () => [{ at: '/api/map', gives: 200 }],
  'get /api/map/places': () => [{ at: '/api/map/places', gives: 200 }],
  'post /api/map': () => [{ at: '/api/map', body: { ...LAYER, name: 'Own' }, gives: 200 }],
  'post /api/map/:id/removal': () => [{ at: `/api/map/${layer}/removal`, body: {} }],
  'get /api/records': () => [{ at: `/api/records?template=${b.template}`, gives: 200 }],
  'get /api/records/places': () => [
    { at: `/api/records/places?template=${b.template}`, gives: 200 },
  ],
  'get /api/records/templates': () => [{ at: '/api/records/templates', gives: 200 }],
  'get /api/records.:format': () => [{ at: `/api/records.csv?template=${b.template}` }],
  'post /api/records/reports': () => [{ at: '/api/records/reports', body: { sheets: [b.sheet] } }],
  'post /api/records/mailing': () => [
    {
      at: '/api/records/mailing',
      body: { sheets: [b.sheet], to: ['a@hither.example'], words: '' },
    },
  ],
  'get /api/suiting': () => [
    { at: `/api/suiting?${AT}`, gives: 200 },
    { at: `/api/suiting?${AT}&site=${b.site}&people=${b.people.technician}`, gives: 200 },
    { at: `/api/suiting?${AT}&jobs=${b.job}`, gives: 200 },
    { at: `/api/suiting?${AT}&templates=${b.template}` },
  ],
  'get /api/people': () => [
    { at: '/api/people', gives: 200 },
    { at: '/api/people?text=yonder&retired=no', gives: 200 },
  ],
  'get /api/people/names': () => [{ at: '/api/people/names', gives: 200 }],
  'get /api/people/:id': () => [{ at: `/api/people/${b.people.technician}` }],
  'post /api/people': () => [
    { at: '/api/people', body: { ...SOMEBODY, branches: [branch] } },
    { at: '/api/people', body: { ...SOMEBODY, startsAt: b.site } },
    { at: '/api/people', body: SOMEBODY, gives: 200 },
  ],
  'put /api/people/:id': () => [{ at: `/api/people/${b.people.technician}`, body: SOMEBODY }],
  'put /api/people/:id/retired': () => [
    { at: `/api/people/${b.people.technician}/retired`, body: { retired: true } },
  ],
  'post /api/people/:id/invitation': () => [
    { at: `/api/people/${b.people.technician}/invitation` },
  ],
  'get /api/sites': () => [
    { at: '/api/sites', gives: 200 },
    { at: '/api/sites?text=yonder', gives: 200 },
  ],
  'get /api/jobs.:format': () => [
    { at: '/api/jobs.csv', gives: 200 },
    { at: `/api/jobs.csv?site=${b.site}`, gives: 200 },
    { at: '/api/jobs.xlsx?text=yonder', gives: 200 },
  ],
  'get /api/sites.:format': () => [{ at: '/api/sites.csv', gives: 200 }],
  'get /api/actions.:format': () => [{ at: '/api/actions.csv', gives: 200 }],
  'get /api/people.:format': () => [{ at: '/api/people.csv', gives: 200 }],
  'get /api/sites/:id': () => [{ at: `/api/sites/${b.site}` }],
  'put /api/sites/:id/retired': () => [
    { at: `/api/sites/${b.site}/retired`, body: { retired: true } },
  ],
  'post /api/sites': () => [
    { at: '/api/sites', body: { ...PLACE, id: b.site, org: b.id }, gives: 200 },
  ],
  'get /api/sites/:id/notes': () => [{ at: `/api/sites/${b.site}/notes` }],
  'post /api/sites/:id/notes': () => [
    { at: `/api/sites/${b.site}/notes`, body: { text: 'The gate sticks.' } },
  ],
  'post /api/site-notes/:id/withdrawal': () => [{ at: `/api/site-notes/${note}/withdrawal` }],
  'put /api/sites/:id': () => [{ at: `/api/sites/${b.site}`, body: PLACE }],
  'get /api/sites/:id/assets': () => [{ at: `/api/sites/${b.site}/assets` }],
  'post /api/sites/:id/assets': () => [{ at: `/api/sites/${b.site}/assets`, body: THING }],
  'put /api/assets/:id': () => [{ at: `/api/assets/${asset}`, body: { ...THING, retired: true } }],
  'get /api/clients': () => [
    { at: '/api/clients', gives: 200 },
    { at: '/api/clients?text=secret', gives: 200 },
  ],
  'get /api/clients.:format': () => [{ at: '/api/clients.csv', gives: 200 }],
  'post /api/clients': () => [{ at: '/api/clients', body: CLIENT, gives: 200 }],
  'put /api/clients/:id': () => [{ at: `/api/clients/${client}`, body: CLIENT }],
  'get /api/clients/:id/rules': () => [{ at: `/api/clients/${client}/rules` }],
  'put /api/clients/:id/rules': () => [{ at: `/api/clients/${client}/rules`, body: { rules: [] } }],
  'get /api/imports/:kind/columns': () => [{ at: '/api/imports/things/columns', gives: 200 }],
  'post /api/imports/:kind': () => [
    { at: '/api/imports/people', body: IMPORT, gives: 200 },
    { at: '/api/imports/people', body: { ...IMPORT, really: true }, gives: 200 },
  ],
  'get /api/sites/:id/arrival': () => [{ at: `/api/sites/${b.site}/arrival` }],
  'put /api/sites/:id/arrival': () => [
    { at: `/api/sites/${b.site}/arrival`, body: { words: 'From A', after: 1 } },
  ],
  'post /api/sites/:id/arrival/removal': () => [
    { at: `/api/sites/${b.site}/arrival/removal`, body: { after: 1 } },
  ],
  'post /api/sites/:id/arrival/reading': () => [{ at: `/api/sites/${b.site}/arrival/reading` }],
  'post /api/sites/:id/arrival/code': () => [{ at: `/api/sites/${b.site}/arrival/code` }],
  'post /api/visits/:id/opening': () => [
    { at: `/api/visits/${b.visit}/opening`, body: { fix: null, reason: 'I am there' }, gives: 403 },
  ],
  'get /api/openings': () => [{ at: '/api/openings', gives: 200 }],
  'get /api/assets': () => [
    { at: '/api/assets', gives: 200 },
    { at: `/api/assets?site=${b.site}`, gives: 200 },
    { at: '/api/assets?text=secret', gives: 200 },
  ],
  'get /api/assets.:format': () => [{ at: '/api/assets.csv', gives: 200 }],
  'get /api/assets/:id/story': () => [{ at: `/api/assets/${asset}/story` }],
  'post /api/assets/:id/move': () => [
    { at: `/api/assets/${asset}/move`, body: { site: a.site, within: null } },
  ],
  'post /api/assets/:id/tag': () => [
    { at: `/api/assets/${asset}/tag`, body: { number: label.number } },
  ],
  'get /api/asset-kinds': () => [{ at: '/api/asset-kinds', gives: 200 }],
  'post /api/asset-kinds': () => [{ at: '/api/asset-kinds', body: PUMPS, gives: 200 }],
  'put /api/asset-kinds/:id': () => [{ at: `/api/asset-kinds/${kind}`, body: PUMPS }],
  'get /api/sites/:id/tags': () => [{ at: `/api/sites/${b.site}/tags` }],
  'get /api/tags/:number': () => [{ at: `/api/tags/${label.number}` }],
  'post /api/labels': () => [{ at: '/api/labels', body: { assets: [asset], grid: GRID } }],
  'get /api/first-steps': () => [{ at: '/api/first-steps', gives: 200 }],
  'get /api/starters': () => [{ at: '/api/starters', gives: 200 }],
  'post /api/starters/:key': () => [{ at: '/api/starters/hut', gives: 200 }],
  'get /api/templates': () => [{ at: '/api/templates', gives: 200 }],
  'post /api/templates': () => [
    { at: '/api/templates', body: { template: b.template, after: 1, body: TEMPLATE } },
  ],
  'get /api/catalogues': () => [{ at: '/api/catalogues', gives: 200 }],
  'get /api/catalogues/:id': () => [{ at: `/api/catalogues/${catalogue}` }],
  'get /api/catalogues/:id/rows.:format': () => [
    { at: `/api/catalogues/${catalogue}/rows.csv` },
    { at: `/api/catalogues/${catalogue}/rows.xlsx` },
  ],
  'get /api/sites/:id/contacts.vcf': () => [{ at: `/api/sites/${b.site}/contacts.vcf` }],
  'get /api/shapes': () => [{ at: '/api/shapes', gives: 200 }],
  'get /api/sites/:site/lists/:list': () =>
    ['our_things', 'our_contacts', 'our_clients', 'our_owners'].map((list) => ({
      at: `/api/sites/${b.site}/lists/${list}`,
    })),
  'post /api/catalogues': () => [
    { at: '/api/catalogues', body: { ...CATALOGUE, after: 1 }, gives: 409 },
  ],
  'post /api/tables': () => [
    {
      at: '/api/tables',
      body: { name: 'x.csv', content: Buffer.from('a,b').toString('base64') },
      gives: 200,
    },
  ],
  'get /api/day': () => [
    { at: `/api/day?day=${new Date().toISOString().slice(0, 10)}`, gives: 200 },
  ],
  'get /api/board': () => [
    { at: `/api/board?from=${new Date().toISOString().slice(0, 10)}&days=7`, gives: 200 },
  ],
  'get /api/board/people': () => [{ at: '/api/board/people', gives: 200 }],
  'get /api/board/ways': () => [
    { at: `/api/board/ways?day=${new Date().toISOString().slice(0, 10)}`, gives: 200 },
  ],
  'get /api/calendar': () => [
    { at: `/api/calendar?from=${new Date().toISOString().slice(0, 10)}&days=42`, gives: 200 },
  ],
  'get /api/messages': () => [{ at: '/api/messages', gives: 200 }],
  'get /api/messages/:person': () => [{ at: `/api/messages/${b.people.technician}`, gives: 200 }],
  'post /api/messages': () => [{ at: '/api/messages', body: messageOf(a, b) }],
  'post /api/messages/seen': () => [
    { at: '/api/messages/seen', body: { person: b.people.technician }, gives: 200 },
  ],
  'get /api/me/clock': () => [{ at: '/api/me/clock?from=2020-01-01', gives: 200 }],
  'get /api/hours': () => [{ at: '/api/hours?monday=2020-01-06', gives: 200 }],
  'get /api/hours/:person/:day': () => [
    { at: `/api/hours/${b.people.technician}/2020-01-06`, gives: 200 },
  ],
  'get /api/hours/days.:format': () => [
    { at: '/api/hours/days.csv?from=2020-01-01&to=2020-02-01', gives: 200 },
  ],
  'post /api/hours/entries': () => [{ at: '/api/hours/entries', body: clockOf(a, b) }],
  'post /api/hours/site-times': () => [
    {
      at: '/api/hours/site-times',
      body: {
        ...{ id: idFrom(78), visit: b.visit, from: '2020-01-06T08:00:00Z' },
        ...{ to: '2020-01-06T09:00:00Z', reason: 'Forgot it', by: a.people.manager },
        saidAt: '2020-01-06T09:00:00Z',
      },
    },
  ],
  'post /api/hours/approvals': () => [
    {
      at: '/api/hours/approvals',
      body: { person: b.people.technician, monday: '2020-01-06', mark: 'x' },
    },
  ],
  'post /api/hours/approvals/removal': () => [
    {
      at: '/api/hours/approvals/removal',
      body: { person: b.people.technician, monday: '2020-01-06' },
    },
  ],
  'get /api/planners': () => [{ at: '/api/planners', gives: 200 }],
  'post /api/planners': () => [{ at: '/api/planners', body: { day: '2031-01-01' }, gives: 204 }],
  'get /api/rounds': () => [
    { at: '/api/rounds', gives: 200 },
    { at: `/api/rounds?person=${b.people.technician}&text=yonder`, gives: 200 },
  ],
  'get /api/rounds.:format': () => [{ at: '/api/rounds.csv', gives: 200 }],
  'post /api/rounds': () => [
    { at: '/api/rounds', body: roundAt(b) },
    { at: '/api/rounds', body: { ...roundAt(a), person: b.people.technician } },
    { at: '/api/rounds', body: { ...roundAt(a), reader: b.people.reviewer } },
    { at: '/api/rounds', body: { ...roundAt(a), stops: [{ ...stopAt(a), template: b.template }] } },
    {
      ...{ at: '/api/rounds', gives: 422 },
      body: { ...roundAt(a), stops: [{ ...stopAt(a), asset }] },
    },
  ],
  'get /api/rounds/days': () => [
    {
      at: '/api/rounds/days?rule=FREQ%3DDAILY&begins=2031-04-01&onHolidays=left+out&from=2031-04-01',
      gives: 200,
    },
  ],
  'get /api/rounds/:id': () => [{ at: `/api/rounds/${round}` }],
  'put /api/rounds/:id': () => [{ at: `/api/rounds/${round}`, body: { ...roundAt(a), after: 1 } }],
  'post /api/rounds/:id/retirement': () => [
    { at: `/api/rounds/${round}/retirement`, body: { retired: true } },
  ],
  'get /api/holidays': () => [{ at: '/api/holidays', gives: 200 }],
  'put /api/holidays': () => [{ at: '/api/holidays', body: HOLIDAYS, gives: 200 }],
  'get /api/jobs': () => [
    { at: '/api/jobs', gives: 200 },
    { at: '/api/jobs?state=under%20way', gives: 200 },
    { at: `/api/jobs?site=${b.site}`, gives: 200 },
    { at: `/api/jobs?person=${b.people.technician}&template=${b.template}`, gives: 200 },
    { at: '/api/jobs?text=yonder', gives: 200 },
  ],
  'post /api/jobs': () => [
    { at: '/api/jobs', body: jobFor(b.site, a.template, null) },
    { at: '/api/jobs', body: jobFor(a.site, b.template, null) },
    { at: '/api/jobs', body: jobFor(a.site, a.template, b.people.technician) },
    { at: '/api/jobs', body: { ...jobFor(a.site, a.template, null), ...helpedBy(b) } },
    { at: '/api/jobs', body: { ...jobFor(a.site, a.template, null), ...moreOf(b.template) } },
    {
      at: '/api/jobs',
      body: { ...jobFor(a.site, a.template, null), ...aboutThing(asset) },
      gives: 422,
    },
  ],
  'post /api/jobs/many': () => [
    {
      at: '/api/jobs/many',
      body: { ...MANY, at: [{ site: b.site, asset: null }], template: a.template },
    },
    {
      at: '/api/jobs/many',
      body: { ...MANY, at: [{ site: a.site, asset: null }], template: b.template },
    },
    {
      ...{ at: '/api/jobs/many', gives: 422 },
      body: { ...MANY, at: [{ site: a.site, asset }], template: a.template },
    },
  ],
  'get /api/jobs/:id': () => [{ at: `/api/jobs/${b.job}` }],
  'post /api/approvals': () => [{ at: '/api/approvals', body: { jobs: [b.job] }, gives: 200 }],
  'post /api/sites/:id/same-as': () => [
    { at: `/api/sites/${b.site}/same-as`, body: { site: a.site } },
    { at: `/api/sites/${a.site}/same-as`, body: { site: b.site } },
  ],
  'post /api/jobs/:id/signing': () => [
    { at: `/api/jobs/${b.job}/signing`, body: { asked: false, reason: 'x' } },
  ],
  'post /api/jobs/:id/decisions': () => [
    { at: `/api/jobs/${b.job}/decisions`, body: { decision: 'cancelled', reason: 'x' } },
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
  'post /api/orders': () => [
    { at: '/api/orders', body: { day: '2031-01-01', seconds: 0.1 }, gives: 200 },
    {
      at: '/api/orders',
      body: {
        ...{ day: '2031-01-01', seconds: 0.1, people: [b.people.technician] },
        from: [{ person: b.people.technician, visits: [b.visit] }],
      },
      gives: 200,
    },
  ],
  'post /api/plans': () => {
    const was = { person: null, start: 1 };
    const day = '2031-01-01';
    return [
      { at: '/api/plans', body: { day, plans: [{ visit: b.visit, was, person: null, start: 2 }] } },
      {
        at: '/api/plans',
        body: {
          day,
          plans: [{ visit: b.visit, was: { ...was, day }, person: null, day, start: 2 }],
        },
      },
    ];
  },
  'get /api/review': () => [
    { at: '/api/review', gives: 200 },
    { at: `/api/review?site=${b.site}&reader=${b.people.reviewer}&text=yonder`, gives: 200 },
  ],
  'get /api/views': () => [{ at: '/api/views', gives: 200 }],
  'put /api/views': () => [{ at: '/api/views', body: VIEW, gives: 204 }],
  'delete /api/views/:list/:name': () => [{ at: '/api/views/jobs/Late%20ones', gives: 204 }],
  'get /api/sheets/:id': () => [{ at: `/api/sheets/${b.sheet}` }],
  'get /api/sheets/:id/report.pdf': () => [{ at: `/api/sheets/${b.sheet}/report.pdf` }],
  'get /api/sheets/:id/consent.pdf': () => [{ at: `/api/sheets/${b.sheet}/consent.pdf?at=temp` }],
  'get /api/reports/troubled': () => [{ at: '/api/reports/troubled', gives: 200 }],
  'post /api/sheets/:id/report/tries': () => [{ at: `/api/sheets/${b.sheet}/report/tries` }],
  'get /api/sheets/:id/answers.:format': () => [
    { at: `/api/sheets/${b.sheet}/answers.csv` },
    { at: `/api/sheets/${b.sheet}/answers.xlsx` },
  ],
  'get /api/sheets/:id/sketch.svg': () => [{ at: `/api/sheets/${b.sheet}/sketch.svg?path=temp` }],
  'get /api/actions': () => [{ at: '/api/actions', gives: 200 }],
  'get /api/actions/:id': () => [{ at: `/api/actions/${other}` }],
  'post /api/actions': () => [
    {
      at: '/api/actions',
      body: { ...draftOf(b, timeOrderedId(Date.now(), new Uint8Array(16).fill(1)), a) },
    },
    // Its own action, which happens to have the id of one of B's.
    { at: '/api/actions', body: { ...draftOf(a, action) }, gives: 200 },
    {
      at: '/api/actions',
      body: { ...draftOf(a, timeOrderedId(Date.now(), new Uint8Array(16).fill(2)), b) },
    },
  ],
  'post /api/actions/:id/moves': () => [
    { at: `/api/actions/${other}/moves`, body: { to: 'dropped', note: 'x' } },
  ],
  'post /api/push': () => [
    {
      at: '/api/push',
      gives: 200,
      body: { operations: [asEntry(entryOf(b, { by: a.people.manager }))] },
    },
    {
      at: '/api/push',
      gives: 200,
      body: {
        operations: [asEntry(entryOf(b, { kind: 'correct', reason: 'x', by: a.people.manager }))],
      },
    },
    {
      at: '/api/push',
      gives: 200,
      body: {
        operations: [
          {
            kind: 'visit event',
            body: arrivalAt(b),
          },
        ],
      },
    },
    {
      at: '/api/push',
      gives: 200,
      body: {
        operations: [
          {
            kind: 'action',
            body: draftOf(b, timeOrderedId(Date.now(), new Uint8Array(16).fill(3)), a),
          },
        ],
      },
    },
    {
      at: '/api/push',
      gives: 200,
      body: {
        operations: [
          begunWith(b.site, a.version),
          begunWith(a.site, b.version),
          addedTo(b.job, a.version),
          addedTo(a.job, b.version),
          addedTo(a.job, a.version, { person: b.people.technician }),
          noteAt(b.site),
          handedOver(b.job, { visit: b.visit }),
          handedOver(b.job, { sheet: b.sheet }),
          handedOver(a.job, { visit: a.visit, to: b.people.technician }),
        ],
      },
    },
  ],
  'get /api/pull': () => [
    { at: '/api/pull', gives: 200 },
    { at: '/api/pull?cursor=at.first.0', gives: 200 },
  ],
  'post /api/media/receipts': () => [
    { at: '/api/media/receipts', body: { sha256: [SHA] }, gives: 200 },
  ],
  'get /api/media/:sha256': () => [{ at: `/api/media/${SHA}` }],
  'get /api/mail': () => [
    { at: '/api/mail', gives: 200 },
    { at: '/api/mail?text=round', gives: 200 },
  ],
  'get /api/mail/:id/attachments/:index': () => [{ at: `/api/mail/${mail}/attachments/0` }],
};

test('every route is tried', () => {
  expect(Object.keys(TRIES).sort()).toEqual(
    office.routes.map((route) => `${route.method} ${route.path}`).sort(),
  );
});

test('by no route can A read anything of B, or change it', async () => {
  const secrets = [b.site, b.sheet, b.job, b.visit, b.people.technician, 'yonder', 'Secret of B'];
  for (const [name, tries] of Object.entries(TRIES))
    for (const { at, body, gives = 404 } of tries()) {
      const method = name.split(' ')[0]?.toUpperCase() ?? 'GET';
      const { status, body: answer } = await intruder.call(method, at, body);
      const said = JSON.stringify(answer);
      for (const secret of secrets)
        if (!JSON.stringify(body ?? '').includes(secret) && !at.includes(secret))
          expect(`${name}: ${said}`).not.toContain(secret);
      expect(`${name} ${at}: ${status}`).toBe(`${name} ${at}: ${gives}`);
    }
  expect(await allOfB()).toEqual(before);
});

test('what a push of A says about B is refused, thing by thing', async () => {
  const tries = TRIES['post /api/push']?.() ?? [];
  for (const { body } of tries) {
    const { body: answer } = await intruder.call('POST', '/api/push', body);
    const { receipts } = answer as { receipts: { outcome: string }[] };
    expect([...new Set(receipts.map(({ outcome }) => outcome))]).toEqual(['refused']);
  }
});

test('B has something in every table there is, so that all of them were looked at', () => {
  const empty = Object.entries(before).flatMap(([table, rows]) =>
    rows.length === 0 ? [table] : [],
  );
  // What is due is worked off by now; a feed is given a state of its own when it is first pruned.
  expect(empty).toEqual(
    ['feed_state', 'reading', 'sheet_due'].filter((name) => empty.includes(name)),
  );
  expect(before['reading']).toHaveLength(1);
});

test.each(['technician', 'reviewer', 'manager'] as const)(
  'a %s is let in where the table of abilities says so, and nowhere else',
  async (role) => {
    const caller = await office.signIn(a.emails[role]);
    for (const route of office.routes) {
      const [first] = TRIES[`${route.method} ${route.path}`]?.() ?? [];
      if (!first) continue;
      const name = `${route.method} ${route.path}`;
      const { status } = await caller.call(route.method.toUpperCase(), first.at, first.body);
      const open = route.allowed === 'signed in' || may([role], route.allowed);
      expect(`${name}: ${status === 403 ? 'kept out' : 'let in'}`).toBe(
        `${name}: ${open ? 'let in' : 'kept out'}`,
      );
    }
  },
);

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
