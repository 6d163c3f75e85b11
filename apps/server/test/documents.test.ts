import { randomUUID } from 'node:crypto';
import type {
  DocumentDetails,
  DocumentsAnswer,
  OfficeDocument,
} from '@ant-trail/contract/documents';
import type { Asset, AssetKind } from '@ant-trail/contract/register';
import type { Dossier } from '@ant-trail/contract/review';
import type { DocumentLink } from '@ant-trail/core/documents';
import type { z } from 'zod';
import { inOrganisation } from '../src/database/tenancy.ts';
import { countedThen } from '../src/modules/documents/counted-then.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Team,
} from './support/office.ts';
import { keptFile } from './support/kept-file.ts';
import { textOf } from './support/pdf.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let team: Team;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`documents${++count}`);
  ({ manager } = team);
});

const file = async (words: string) => ({
  ...{ sha256: await keptFile(office, team.org, words), file: 'pump.pdf', note: words },
});
async function add(name: string, ...links: DocumentLink[]): Promise<OfficeDocument> {
  const { status, body } = await manager.call('POST', '/api/documents', {
    ...{ name, note: '', links, first: await file(`${name} one`) },
  });
  expect(status).toBe(200);
  return body as OfficeDocument;
}
const version = async (id: string, words: string, current: boolean): Promise<DocumentDetails> => {
  const { status, body } = await manager.call('POST', `/api/documents/${id}/versions`, {
    ...(await file(words)),
    current,
  });
  expect(status).toBe(200);
  return body as DocumentDetails;
};
const site = (): DocumentLink => ({ to: 'site', ref: team.org.site });

test('a version counts once it is said so; an older one can count again; all stay', async () => {
  const { id, version: first } = await add('Pump manual', site());
  const kept = await version(id, 'two', false);
  expect(kept.document.version).toEqual(first);
  expect(kept.versions.map(({ number }) => number)).toEqual([2, 1]);
  const second = kept.versions[0]?.id ?? '';
  const counts = await manager.call('PUT', `/api/documents/${id}/current`, { version: second });
  expect((counts.body as DocumentDetails).document.version.number).toBe(2);
  const back = await manager.call('PUT', `/api/documents/${id}/current`, { version: first.id });
  expect((back.body as DocumentDetails).counted.map((each) => each.version)).toEqual([
    ...[first.id, second, first.id],
  ]);
  const foreign = await add('Other');
  const wrong = await manager.call('PUT', `/api/documents/${id}/current`, {
    version: foreign.version.id,
  });
  expect(wrong.status).toBe(404);
  const response = await fetch(`${office.url}/api/documents/${id}/versions/${second}/file`, {
    headers: { cookie: team.technician.cookie },
  });
  expect(response.headers.get('content-type')).toBe('application/pdf');
  expect(await response.text()).toBe('%PDF-1.7 two');
  expect(
    (await manager.call('GET', `/api/documents/${foreign.id}/versions/${second}/file`)).status,
  ).toBe(404);
});

test('two who add a version at once have two versions, and one of them counts', async () => {
  const { id } = await add('Pump manual');
  await Promise.all(['a', 'b', 'c', 'd'].map((words) => version(id, words, true)));
  const { body } = await manager.call('GET', `/api/documents/${id}`);
  const { document, versions, counted } = body as DocumentDetails;
  expect(versions.map(({ number }) => number)).toEqual([5, 4, 3, 2, 1]);
  expect(counted[0]?.version).toBe(document.version.id);
});

test.each([
  ['a file that never came', () => Promise.resolve('ab'.repeat(32))],
  ['a recording', () => keptFile(office, team.org, 'film', 'video/mp4')],
])('%s is no document', async (_what, sha256) => {
  const first = { sha256: await sha256(), file: 'x', note: '' };
  const { status } = await manager.call('POST', '/api/documents', {
    ...{ name: 'X', note: '', links: [], first },
  });
  expect(status).toBe(422);
});

test('it is attached to what is there, of its own organisation', async () => {
  const other = await office.newTeam(`documents-elsewhere${count}`);
  for (const ref of [randomUUID(), other.org.site]) {
    const { status } = await manager.call('POST', '/api/documents', {
      ...{ name: 'X', note: '', links: [{ to: 'site', ref }], first: await file('x') },
    });
    expect(status).toBe(422);
  }
  expect((await manager.call('GET', '/api/documents')).body).toMatchObject({ rows: [] });
});

test('phones hear of all in use, and of one that is retired', async () => {
  const { id } = await add('Pump manual', site());
  const filled = await pull(team.technician);
  expect(filled.of('document')).toMatchObject([{ id, links: [site()], version: { number: 1 } }]);
  await version(id, 'two', true);
  const after = await pull(team.technician, filled.cursor);
  expect(after.of('document')).toMatchObject([{ id, version: { number: 2 } }]);
  await manager.call('PUT', `/api/documents/${id}/retired`, { retired: true });
  const last = await pull(team.technician, after.cursor);
  expect(last.of('document')).toMatchObject([{ id, retired: true }]);
  const none = (await manager.call('GET', '/api/documents')).body;
  expect((none as z.infer<typeof DocumentsAnswer>).rows).toEqual([]);
  const refused = await manager.call('POST', `/api/documents/${id}/versions`, {
    ...(await file('three')),
    current: true,
  });
  expect(refused.status).toBe(409);
});

describe('what counted for a sheet', () => {
  const NIGHT = '2031-01-01T00:00:00.000Z';
  const thenOf = (at: string, asset: string | null = null) =>
    inOrganisation(office.data, team.org.id, async (db) =>
      (
        await countedThen(
          db,
          { id: team.org.sheet, site: team.org.site, template: team.org.template, asset },
          at,
        )
      ).map(({ name, version: { number } }) => `${name} ${number}`),
    );
  const now = async (): Promise<string> => {
    const [{ at } = { at: '' }] = await office.data.query<{ at: string }[]>(
      `SELECT to_json(clock_timestamp()) AS at`,
    );
    return at;
  };

  test('is the version of that moment, whatever came after', async () => {
    const { id } = await add('Pump manual', site());
    const before = await now();
    await version(id, 'two', true);
    const between = await now();
    await manager.call('PUT', `/api/documents/${id}`, {
      ...{ name: 'Pump manual', note: '', links: [{ to: 'template', ref: team.org.template }] },
    });
    await manager.call('PUT', `/api/documents/${id}/retired`, { retired: true });
    expect(await thenOf(before)).toEqual(['Pump manual 1']);
    expect(await thenOf(between)).toEqual(['Pump manual 2']);
    expect(await thenOf(NIGHT)).toEqual([]);
    await manager.call('PUT', `/api/documents/${id}/retired`, { retired: false });
    expect(await thenOf(NIGHT)).toEqual(['Pump manual 2']);
    expect(await thenOf('2001-01-01T00:00:00.000Z')).toEqual([]);
  });

  test('is what its thing, the kind of it and its template have', async () => {
    const kind = (await manager.call('POST', '/api/asset-kinds', { name: 'Pump', fields: [] }))
      .body as AssetKind;
    const thing = (
      await manager.call('POST', `/api/sites/${team.org.site}/assets`, {
        ...{ name: 'Pump 1', kind: ' pump', area: false, within: null, facts: {}, purposes: [] },
      })
    ).body as Asset;
    await add('Of the thing', { to: 'asset', ref: thing.id });
    await add('Of the kind', { to: 'kind', ref: kind.id });
    await add('Of the template', { to: 'template', ref: team.org.template });
    await add('Of nothing');
    expect(await thenOf(NIGHT, thing.id)).toEqual([
      ...['Of the kind 1', 'Of the template 1', 'Of the thing 1'],
    ]);
    expect(await thenOf(NIGHT)).toEqual(['Of the template 1']);
    // Its rows say something of that thing.
    await inOrganisation(office.data, team.org.id, (db) =>
      db.query(
        `INSERT INTO sheet_thing (org_id, sheet_id, asset_id, said) VALUES ($1, $2, $3, '{}')`,
        [team.org.id, team.org.sheet, thing.id],
      ),
    );
    expect(await thenOf(NIGHT)).toHaveLength(3);
  });

  test('stands at the desk and in the report', async () => {
    await add('Quern manual', site());
    await team.technician.push(
      asEntry(entryOf(team.org, { path: '~stage', kind: 'finish', value: null })),
    );
    const { body } = await manager.call('GET', `/api/sheets/${team.org.sheet}`);
    expect((body as Dossier).documents).toMatchObject([{ name: 'Quern manual' }]);
    const response = await fetch(`${office.url}/api/records/reports`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: manager.cookie },
      body: JSON.stringify({ sheets: [team.org.sheet] }),
    });
    const words = (await textOf(await response.arrayBuffer())).join(' ').replaceAll(/\s+/g, ' ');
    expect(words).toContain('Quern manual, version 1 of');
  });
});

test('only who keeps documents changes them', async () => {
  const { id } = await add('Pump manual');
  for (const [method, path, body] of [
    ['POST', '/api/documents', { name: 'X', note: '', links: [], first: await file('x') }],
    ['PUT', `/api/documents/${id}`, { name: 'X', note: '', links: [] }],
    ['PUT', `/api/documents/${id}/retired`, { retired: true }],
  ] as const) {
    expect((await team.technician.call(method, path, body)).status).toBe(403);
    expect((await team.reviewer.call(method, path, body)).status).toBe(403);
  }
});
