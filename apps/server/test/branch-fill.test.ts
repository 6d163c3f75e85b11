import { randomUUID } from 'node:crypto';
import type { Asset } from '@ant-trail/contract/register';
import type { PullAnswer } from '@ant-trail/contract/sync';
import { inOrganisation } from '../src/database/tenancy.ts';
import type { Session } from '../src/http/session.ts';
import { readCursor } from '../src/modules/sync/cursor.ts';
import { answerPull } from '../src/modules/sync/pull.ts';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let session: Session;
const THINGS = 25;
const A_PAGE = 7;

const enter = async (site: string, name: string): Promise<string> => {
  const { body } = await manager.call('POST', `/api/sites/${site}/assets`, { kind: 'pump', name });
  return (body as Asset).id;
};
const page = (cursor: string | undefined): Promise<PullAnswer> =>
  inOrganisation(office.data, org.id, (db) =>
    answerPull(db, session, { cursor: readCursor(cursor), through: null }, 500, A_PAGE),
  );
const idsOf = (answers: readonly PullAnswer[], kind: string): string[] =>
  answers.flatMap(({ changes }) =>
    changes.filter((change) => change.kind === kind && change.body !== null).map(({ id }) => id),
  );

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager } = await office.newTeam('fill'));
  const [row] = await inOrganisation(office.data, org.id, (db) =>
    db.query<{ branch: string }[]>(`SELECT branch_id AS branch FROM person WHERE id = $1`, [
      org.people.technician,
    ]),
  );
  session = {
    ...{ organisation: org.id, person: org.people.technician, branch: row?.branch ?? '' },
    ...{ roles: ['technician'], until: new Date(Date.now() + 3_600_000), token: '' },
  };
});
afterAll(() => office.close());

test('behind the work a phone gets all that stands in its branch, page by page, each once; what changes meanwhile follows', async () => {
  const { body } = await manager.call('POST', '/api/sites', {
    ...{ name: 'Far mill', client: '', address: '', lat: 1, lon: 1, access: '' },
    ...{ hazards: [], contacts: [] },
  });
  const far = (body as { id: string }).id;
  const things: string[] = [];
  for (let at = 0; at < THINGS; at++) things.push(await enter(far, `Pump ${at}`));
  // Another branch has a place and a thing of its own.
  const [branch, site, thing] = [randomUUID(), randomUUID(), randomUUID()];
  await inOrganisation(office.data, org.id, async (db) => {
    await db.query(`INSERT INTO branch (org_id, id, name) VALUES ($1, $2, 'Other')`, [
      org.id,
      branch,
    ]);
    await db.query(
      `INSERT INTO site (org_id, id, branch_id, name, client, address, lat, lon, access, hazards, contacts)
       VALUES ($1, $2, $3, 'Elsewhere', '', '', 0, 0, '', '[]', '[]')`,
      [org.id, site, branch],
    );
    await db.query(
      `INSERT INTO asset (org_id, id, site_id, kind, name) VALUES ($1, $2, $3, 'pump', 'Theirs')`,
      [org.id, thing, site],
    );
  });

  const answers = [await page(undefined)];
  expect(answers[0]?.visits).toEqual([org.visit]);
  // Changed and added while the fill is under way.
  const [one = ''] = things;
  await manager.call('PUT', `/api/assets/${one}`, { name: 'Renamed' });
  const late = await enter(far, 'Late');
  for (let more = answers[0]?.more; more; more = answers.at(-1)?.more)
    answers.push(await page(answers.at(-1)?.cursor));
  expect(answers.length).toBeGreaterThan(THINGS / A_PAGE);
  expect(answers.slice(1).every(({ visits }) => visits === null)).toBe(true);
  const filled = idsOf(answers, 'asset');
  for (const id of things) expect(filled.filter((each) => each === id)).toHaveLength(1);
  expect(idsOf(answers, 'site')).toContain(far);
  expect(filled).not.toContain(thing);
  expect(idsOf(answers, 'site')).not.toContain(site);

  const after = await page(answers.at(-1)?.cursor);
  expect(idsOf([after], 'asset').sort()).toEqual([late, one].sort());
  const idle = await page(after.cursor);
  expect(idle.changes).toEqual([]);
});

test('a cursor that makes no sense begins anew, and loses nothing', async () => {
  const { cursor } = await page(undefined);
  expect(cursor).toMatch(/^rest\..*\.asset$/);
  for (const forged of [
    cursor.replace(/asset$/, 'planet'),
    cursor.replace(/[^.]+\.asset$/, 'x.asset'),
    cursor.replace(/\.asset$/, ''),
  ])
    expect((await page(forged)).visits).toEqual([org.visit]);
});

test('what a place of one’s work says is heard, though it belongs to another branch', async () => {
  const other = randomUUID();
  await inOrganisation(office.data, org.id, async (db) => {
    await db.query(`INSERT INTO branch (org_id, id, name) VALUES ($1, $2, 'Third')`, [
      org.id,
      other,
    ]);
    await db.query(`UPDATE site SET branch_id = $2 WHERE id = $1`, [org.site, other]);
  });
  let answer = await page(undefined);
  while (answer.more) answer = await page(answer.cursor);
  const added = await enter(org.site, 'Where the work is');
  expect(idsOf([await page(answer.cursor)], 'asset')).toEqual([added]);
});
