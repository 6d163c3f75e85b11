import { randomUUID } from 'node:crypto';
import { JOB_ORDERS, type JobsAnswer } from '@ant-trail/contract/planning/desk';
import { SITE_ORDERS, type SitesAnswer } from '@ant-trail/contract/sites';
import { addDays } from '@ant-trail/core/calendar';
import fc from 'fast-check';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { listPage } from '../src/database/list-page.ts';
import { inOrganisation } from '../src/database/tenancy.ts';
import { JobRow } from '../src/modules/planning/entities.ts';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

let office: Office;
let team: Team;

const NAMES = ['Kiln 7%', 'kiln_8', 'Quay \\ north', 'Quay', 'Quay', 'Ærø', 'Zinc "mill"', 'Böe'];
const FIRST = '2030-05-01';
const DAYS = 5;
const JOBS = 61;
const A_UUID = '0190a0a0-0000-7000-8000-000000000000';

beforeAll(async () => {
  office = await openOffice();
  team = await office.newTeam('lists');
  await inOrganisation(office.data, team.org.id, addMuch);
});
afterAll(() => office.close());

async function addMuch(db: EntityManager): Promise<void> {
  const { org } = team;
  const sites = NAMES.map((name) => ({ id: randomUUID(), name }));
  for (const [at, { id, name }] of sites.entries())
    await db.query(
      `INSERT INTO site SELECT org_id, $2, branch_id, $3, $4, '', lat, lon, '', '[]', '[]' FROM site WHERE id = $1`,
      [org.site, id, name, `Client ${at % 3}`],
    );
  for (let at = 0; at < JOBS; at++) {
    const [job, site] = [randomUUID(), sites[at % sites.length]?.id];
    await db.query(
      `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, state)
       SELECT org_id, $2, branch_id, $3, template_id, $4, '', $5, '[]', $6 FROM job WHERE id = $1`,
      [
        org.job,
        job,
        site,
        `Round ${at}`,
        addDays(FIRST, at % DAYS),
        at % 4 === 0 ? 'draft' : 'planned',
      ],
    );
    await db.query(
      `INSERT INTO visit (org_id, id, job_id, person_id, day, start, minutes)
       SELECT org_id, $2, $3, $4, day, start, minutes FROM visit WHERE id = $1`,
      [org.visit, randomUUID(), job, at % 4 === 0 ? null : org.people.technician],
    );
    await db.query(
      `INSERT INTO sheet (org_id, id, job_id, version_id, summary, template_id, title)
       SELECT org_id, $2, $3, version_id, summary, template_id, title FROM sheet WHERE id = $1`,
      [org.sheet, randomUUID(), job],
    );
  }
}

type Jobs = z.infer<typeof JobsAnswer>;
const get = async <Answer>(at: string): Promise<Answer> => {
  const { status, body } = await team.manager.call('GET', at);
  expect([at, status]).toEqual([at, 200]);
  return body as Answer;
};
const jobs = (query: string): Promise<Jobs> => get<Jobs>(`/api/jobs?${query}`);
const total = async (query: string): Promise<number | null> => (await jobs(query)).total;

/** All rows of a list, page by page. */
async function readOn<Row>(
  at: string,
  most: number,
): Promise<{ rows: Row[]; total: number | null }> {
  const rows: Row[] = [];
  let count: number | null = null;
  for (let cursor: string | null = ''; cursor !== null;) {
    const after: string = cursor === '' ? '' : `&cursor=${encodeURIComponent(cursor)}`;
    const page: { rows: Row[]; next: string | null; total: number | null } = await get(
      `${at}&most=${most}${after}`,
    );
    expect(page.rows.length).toBeLessThanOrEqual(most);
    if (cursor === '') count = page.total;
    else expect(page.total).toBeNull();
    rows.push(...page.rows);
    cursor = page.next;
  }
  return { rows, total: count };
}

test.each(JOB_ORDERS)(
  'jobs by %s: every one is on one page, in order, and all are counted',
  async (order) => {
    for (const most of [1, 7, 60, 200]) {
      const read = await readOn<Jobs['rows'][number]>(`/api/jobs?order=${order}`, most);
      expect(read.total).toBe(JOBS + 1);
      expect(new Set(read.rows.map(({ job }) => job.id)).size).toBe(JOBS + 1);
      expect(read.rows).toHaveLength(JOBS + 1);
      if (order.endsWith('day')) {
        const days = read.rows.map(({ job }) => job.day);
        expect(days).toEqual(
          [...days].sort((a, b) => (order === 'day' ? 1 : -1) * (a < b ? -1 : a > b ? 1 : 0)),
        );
      } else {
        // Those of one name stand together.
        const places = read.rows.map(({ siteName }) => siteName);
        const changes = places.filter((place, at) => at > 0 && places[at - 1] !== place).length;
        expect(changes).toBe(new Set(places).size - 1);
      }
    }
  },
);

test.each(SITE_ORDERS)('places by %s: every one is on one page', async (order) => {
  type Site = z.infer<typeof SitesAnswer>['rows'][number];
  for (const most of [1, 4, 200]) {
    const read = await readOn<Site>(`/api/sites?order=${order}`, most);
    expect(read.total).toBe(NAMES.length + 1);
    expect(new Set(read.rows.map(({ id }) => id)).size).toBe(NAMES.length + 1);
  }
});

test('what comes in between neither hides a job nor shows one twice', async () => {
  const first = await jobs('order=day&most=20');
  await inOrganisation(office.data, team.org.id, (db) =>
    db.query(`UPDATE job SET title = title || '!' WHERE day = $1`, [FIRST]),
  );
  const next = await jobs(`order=day&most=200&cursor=${encodeURIComponent(first.next ?? '')}`);
  const ids = [...first.rows, ...next.rows].map(({ job }) => job.id);
  expect([ids.length, new Set(ids).size]).toEqual([JOBS + 1, JOBS + 1]);
});

test('jobs are found by state, place, person, day, sheet, and by all of the words', async () => {
  const drafts = Math.ceil(JOBS / 4);
  expect(await total('state=draft')).toBe(drafts);
  expect(await total('person=nobody')).toBe(drafts);
  expect(await total(`person=${team.org.people.technician}`)).toBe(JOBS - drafts + 1);
  expect(await total(`from=${FIRST}&to=${FIRST}`)).toBe(Math.ceil(JOBS / DAYS));
  expect(await total(`template=${team.org.template}`)).toBe(JOBS + 1);
  expect(await total(`template=${randomUUID()}`)).toBe(0);
  expect(await total('text=kiln')).toBe(16);
  await inOrganisation(office.data, team.org.id, (db) =>
    db.query(`UPDATE site SET number = 'XK-0031' WHERE name = 'kiln_8'`),
  );
  expect(await total('text=xk-0031')).toBe(8);
  expect(await total('text=KILN%207%25')).toBe(8);
  expect(await total('text=kiln_8')).toBe(8);
  expect(await total(`text=${encodeURIComponent('\\ north')}`)).toBe(8);
  expect(await total('text=technician%20of%20lists%20quay')).toBeGreaterThan(0);
  expect(await total('text=quay%20nowhere')).toBe(0);
});

test('a page is the same whether the rows are found at once or read in their order', async () => {
  await inOrganisation(office.data, team.org.id, async (db) => {
    const round = db
      .createQueryBuilder(JobRow, 'j')
      .where('j.words LIKE :words', { words: '%round%' });
    const order = {
      columns: [
        { sql: 'j.day', holds: 'date' },
        { sql: 'j.id', holds: 'uuid' },
      ],
      descending: true,
    } as const;
    const [inOrder, atOnce] = [
      await listPage(db, round, order, { most: 10, dear: true }, 5),
      await listPage(db, round, order, { most: 10, dear: true }, JOBS + 1),
    ];
    expect(atOnce).toEqual(inOrder);
    expect(atOnce).toMatchObject({ total: JOBS + 1 });
    expect(await listPage(db, round, order, { most: 10, dear: true }, JOBS)).toEqual(atOnce);
    const none = round.clone().andWhere('false');
    expect(await listPage(db, none, order, { most: 10, dear: true }, 5)).toEqual({
      ids: [],
      next: null,
      total: 0,
    });
  });
});

test('a place that is not one of this list is refused in words', async () => {
  const forged = (place: unknown): string =>
    Buffer.from(JSON.stringify(place)).toString('base64url');
  for (const cursor of [
    'nonsense',
    forged(['2030-13-45', randomUUID()]),
    forged([FIRST, 'no id']),
    forged([FIRST]),
    forged([FIRST, randomUUID(), 'more']),
    forged({ length: 2 }),
    forged(['x'.repeat(300), randomUUID()]),
  ]) {
    const answer = await team.manager.call('GET', `/api/jobs?cursor=${encodeURIComponent(cursor)}`);
    expect(answer).toMatchObject({ status: 400, body: { code: 'other-list' } });
  }
  for (const wrong of [
    'most=0',
    'most=1e9',
    'order=id',
    'state=odd',
    'from=2030-02-30',
    'person=me',
  ])
    expect((await team.manager.call('GET', `/api/jobs?${wrong}`)).status).toBe(400);
});

test('whatever a list is asked for, it answers or says what is wrong', async () => {
  const odd = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 40 }),
    fc.constantFrom('%', '_', '\\', "'", '\u0000', 'null', '-1', '1e400', '2030-01-01', A_UUID),
  );
  const query = fc.dictionary(
    fc.constantFrom(
      ...['text', 'cursor', 'most', 'order', 'state', 'site', 'person', 'template', 'from', 'to'],
      ...['retired', 'within', 'role', 'expiring', '__proto__', 'constructor'],
    ),
    fc.oneof(
      odd,
      fc.json().map((json) => Buffer.from(json).toString('base64url')),
    ),
    { maxKeys: 4 },
  );
  const list = fc.constantFrom(
    ...['jobs', 'sites', 'people', 'actions', 'jobs.csv', 'actions.csv', 'review', 'mail'],
  );
  await fc.assert(
    fc.asyncProperty(list, query, async (name, asked) => {
      const at = `/api/${name}?${new URLSearchParams(asked)}`;
      const { status } = await team.manager.call('GET', at);
      expect([at, status < 500]).toEqual([at, true]);
    }),
    { numRuns: 400 },
  );
}, 120_000);

describe('kept views', () => {
  const view = { list: 'jobs', name: 'Mine/late?', query: { state: 'planned' }, hidden: ['day'] };
  const views = async (who: Caller): Promise<unknown[]> =>
    ((await who.call('GET', '/api/views')).body as { views: unknown[] }).views;

  test('are each person’s own, one under a name, and forgotten by it', async () => {
    const { manager, reviewer, technician } = team;
    expect((await technician.call('GET', '/api/views')).status).toBe(403);
    await manager.call('PUT', '/api/views', view);
    const other = { ...view, hidden: [] };
    const both = await Promise.all([
      manager.call('PUT', '/api/views', other),
      manager.call('PUT', '/api/views', other),
    ]);
    expect(both.map(({ status }) => status)).toEqual([204, 204]);
    expect(await views(manager)).toEqual([other]);
    expect(await views(reviewer)).toEqual([]);
    const at = `/api/views/jobs/${encodeURIComponent(view.name)}`;
    await reviewer.call('DELETE', at);
    expect(await views(manager)).toHaveLength(1);
    await manager.call('DELETE', at);
    expect(await views(manager)).toEqual([]);
  });

  test.each([
    ['a list that is none', { ...view, list: 'Jobs; drop' }],
    ['no name', { ...view, name: ' ' }],
    ['too much', { ...view, query: { text: 'x'.repeat(401) } }],
    ['what is not asked for', { ...view, person: A_UUID }],
  ])('%s is refused', async (_what, body) => {
    expect((await team.manager.call('PUT', '/api/views', body)).status).toBe(400);
  });
});

test('letters are read page by page, the newest first, and found by their words', async () => {
  const { org, manager, reviewer } = team;
  await inOrganisation(office.data, org.id, async (db) => {
    for (let nr = 0; nr < 25; nr++)
      await db.query(
        `INSERT INTO mail_message (org_id, id, raw, seen_by, words, received_at)
         VALUES ($1, $2, $3, $4, $5, '2031-01-01T08:00:00.12345Z'::timestamptz - $6 * interval '1 hour')`,
        [
          ...[
            org.id,
            randomUUID(),
            Buffer.from(`Subject: Round ${nr}\r\nTo: a@b.example\r\n\r\nHere.`),
          ],
          ...[nr === 3 ? org.people.manager : null, `round ${nr} a@b.example`, Math.floor(nr / 2)],
        ],
      );
  });
  const read = async (who: Caller, query = ''): Promise<string[]> => {
    const found: string[] = [];
    let cursor = '';
    do {
      const { body } = await who.call('GET', `/api/mail?most=4${query}${cursor}`);
      const page = body as { rows: { subject: string }[]; next: string | null };
      found.push(...page.rows.map(({ subject }) => subject));
      cursor = page.next === null ? '' : `&cursor=${page.next}`;
    } while (cursor);
    return found;
  };
  const all = await read(manager);
  expect(new Set(all).size).toBe(25);
  expect(all.map((subject) => Math.floor(Number(subject.slice(6)) / 2))).toEqual(
    Array.from({ length: 25 }, (_, at) => Math.floor(at / 2)),
  );
  expect(await read(reviewer)).toHaveLength(24);
  expect(await read(manager, '&text=round+17')).toEqual(['Round 17']);
  for (const at of ['2031-02-30 08:00:00+00', '2031-01-01 08:00:00+15', '0000-01-01 08:00:00+00']) {
    const cursor = Buffer.from(JSON.stringify([at, A_UUID])).toString('base64url');
    const { status } = await manager.call('GET', `/api/mail?cursor=${cursor}`);
    expect([at, status]).toEqual([at, 400]);
  }
});
