import { randomBytes, randomUUID } from 'node:crypto';
import { Client } from 'pg';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { ownerData } from '../src/data-source.ts';
import { Parts1764126000000 } from '../src/database/migrations/7-parts.ts';

const owner = new URL(process.env['TEST_OWNER_URL'] ?? '');
const url = new URL(owner.href);
url.pathname = `/m_${randomBytes(5).toString('hex')}`;

const asOwner = async (sql: string): Promise<void> => {
  const client = new Client({ connectionString: new URL('/postgres', owner).href });
  await client.connect();
  await client.query(sql).finally(() => client.end());
};
beforeAll(() => asOwner(`CREATE DATABASE ${url.pathname.slice(1)}`));

/** The database as it was before a job had parts. */
async function before(): Promise<DataSource> {
  const { migrations } = ownerData(url.href).options;
  const all = migrations as (new () => unknown)[];
  const older = all.slice(0, all.indexOf(Parts1764126000000));
  const data = new DataSource({
    ...{ type: 'postgres', url: url.href, migrationsTableName: 'migration' },
    migrations: older as never,
  });
  await data.initialize();
  await data.runMigrations();
  return data;
}

test('jobs with one sheet and one visit become jobs with several, and nothing of them is lost', async () => {
  const data = await before();
  const [org, branch, person, site, template, version] = Array.from({ length: 6 }, randomUUID);
  const add = (sql: string, values: unknown[]) => data.query(sql, values);
  await add(`INSERT INTO organisation VALUES ($1, 'O', 'UTC')`, [org]);
  await add(`INSERT INTO branch VALUES ($1, $2, 'B')`, [org, branch]);
  await add(
    `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
     VALUES ($1, $2, $3, 'P', 'p@o.example', '', '{technician}', '', '')`,
    [org, person, branch],
  );
  await add(`INSERT INTO site VALUES ($1, $2, $3, 'S', '', '', 0, 0, '', '[]', '[]')`, [
    ...[org, site, branch],
  ]);
  await add(`INSERT INTO template VALUES ($1, $2, 'T')`, [org, template]);
  await add(
    `INSERT INTO template_version VALUES ($1, $2, $3, 1, now(), '{"title":"Lift round"}')`,
    [...[org, version, template]],
  );
  for (const cancelled of [false, true]) {
    const [job, visit, sheet] = [randomUUID(), randomUUID(), randomUUID()];
    await add(
      `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, cancelled, state)
       VALUES ($1, $2, $3, $4, $5, 'Round', '', '2031-01-01', '[]', $6, $7)`,
      [org, job, branch, site, template, cancelled, cancelled ? 'cancelled' : 'planned'],
    );
    await add(`INSERT INTO visit VALUES ($1, $2, $3, $4, '2031-01-01', 480, 45)`, [
      ...[org, visit, job, person],
    ]);
    await add(
      `INSERT INTO sheet (org_id, id, job_id, version_id, summary) VALUES ($1, $2, $3, $4, '{}')`,
      [org, sheet, job, version],
    );
    for (const [kind, ref] of [
      ['visit', visit],
      ['sheet', sheet],
      ['mail', randomUUID()],
    ])
      await add(`INSERT INTO feed (org_id, kind, ref) VALUES ($1, $2, $3)`, [org, kind, ref]);
  }
  await data.destroy();

  const now = ownerData(url.href);
  await now.initialize();
  await now.runMigrations();
  const rows = await now.query<unknown[]>(
    `SELECT j.decision, j.expected_sheets, v.part, v.person_id = $1 AS mine, s.template_id = $2 AS of,
            s.title, s.person_id, s.asset_id, s.expected, s.place
     FROM job j JOIN visit v ON v.job_id = j.id JOIN sheet s ON s.job_id = j.id ORDER BY j.decision`,
    [person, template],
  );
  const common = {
    ...{ expected_sheets: null, part: 'leads', mine: true, of: true, title: 'Lift round' },
    ...{ person_id: null, asset_id: null, expected: true, place: 0 },
  };
  expect(rows).toEqual([
    { decision: 'cancelled', ...common },
    { decision: null, ...common },
  ]);
  const feed = await now.query<unknown[]>(
    `SELECT f.kind, j.state, v.until::text AS until
     FROM feed f LEFT JOIN job j ON j.id = f.reach LEFT JOIN visit v ON v.job_id = j.id
     ORDER BY j.state, f.kind`,
  );
  expect(feed).toEqual([
    { kind: 'sheet', state: 'cancelled', until: '-infinity' },
    { kind: 'visit', state: 'cancelled', until: '-infinity' },
    { kind: 'sheet', state: 'planned', until: '2031-01-31' },
    { kind: 'visit', state: 'planned', until: '2031-01-31' },
    // Phones that are filled hear of every template.
    { kind: 'template', state: null, until: null },
  ]);
  const people = await now.query<unknown[]>(`SELECT joined, retired FROM person`);
  expect(people).toEqual([{ joined: true, retired: false }]);
  await now.destroy();
});
