import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;
let manager: Caller;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
let count = 0;
beforeEach(async () => {
  ({ org, technician, reviewer, manager } = await office.newTeam(`sync${++count}`));
});

const stage = (kind: 'finish' | 'return' | 'approve', over: Partial<Entry> = {}): Entry =>
  entryOf(org, { path: '~stage', kind, value: null, ...over });

describe('push', () => {
  test('applies an operation once, however often and in whatever company it comes', async () => {
    const one = entryOf(org, { value: 41 });
    const two = entryOf(org, { value: 42, seen: [one.id] });
    expect(await technician.push(asEntry(one))).toMatchObject([
      { id: one.id, outcome: 'received' },
    ]);
    expect(await technician.push(asEntry(one), asEntry(two), asEntry(two))).toMatchObject([
      { outcome: 'already had' },
      { outcome: 'received' },
      { outcome: 'already had' },
    ]);
    const entries = (await pull(technician)).of('entry');
    expect(entries.map((entry) => entry.body)).toEqual([one, two]);
  });

  test('applied at the same moment by several senders, each entry arrives once', async () => {
    const entries = Array.from({ length: 60 }, (_, i) => entryOf(org, { value: i }));
    await Promise.all(
      Array.from({ length: 6 }, (_, n) =>
        technician.push(...entries.slice(n * 8, n * 8 + 20).map(asEntry)),
      ),
    );
    const rows = (await pull(technician)).of('entry');
    expect(new Set(rows.map((e) => e.body.id)).size).toBe(60);
    expect(rows).toHaveLength(60);
  });

  test('never takes other content under an id it knows', async () => {
    const one = entryOf(org, { value: 41 });
    await technician.push(asEntry(one));
    const [receipt] = await technician.push(asEntry({ ...one, value: 99 }));
    expect(receipt).toMatchObject({
      outcome: 'refused',
      reason: expect.stringMatching(/something else/) as unknown,
    });
  });

  test.each([
    ['an unknown question', () => entryOf(org, { path: 'nowhere', value: 'x' }), /no question/],
    ['a value of the wrong kind', () => entryOf(org, { value: 'warm' }), /Write a number/],
    [
      'a sheet that is not there',
      () => entryOf(org, { sheet: '99999999-9999-4999-8999-999999999999' }),
      /not here/,
    ],
    ['somebody else’s name', () => entryOf(org, { by: org.people.manager }), /another person/],
    ['an approval by a technician', () => stage('approve'), /reviewer/],
    [
      'a character that can’t be kept',
      () => entryOf(org, { path: 'never', value: 'a\u0000b' }),
      /character/,
    ],
  ])('refuses %s in words, and takes the rest', async (_name, bad, words) => {
    const good = entryOf(org, { value: 30 });
    const receipts = await technician.push(asEntry(bad()), asEntry(good));
    expect(receipts.find((r) => r.id !== good.id)).toMatchObject({
      outcome: 'refused',
      reason: expect.stringMatching(words) as unknown,
    });
    expect(receipts.find((r) => r.id === good.id)?.outcome).toBe('received');
  });

  test.each([
    ['no list', { operations: 'x' }, 400, 'wrong-input'],
    ['no JSON', '{"operations": [', 400, 'not-json'],
    ['too many', { operations: Array(501).fill({ kind: 'entry' }) }, 400, 'wrong-input'],
    [
      'too large',
      { operations: [{ kind: 'entry', body: 'x'.repeat(5_000_000) }] },
      413,
      'too-large',
    ],
  ])('answers %s with a clear refusal', async (_name, body, status, code) => {
    const answer = await technician.call('POST', '/api/push', body);
    expect(answer).toMatchObject({ status, body: { code } });
    expect(JSON.stringify(answer.body)).not.toMatch(/at .*\.(ts|mjs):/);
  });

  test('an operation nobody can read is refused by itself', async () => {
    const receipts = await technician.push({ kind: 'dance' }, asEntry(entryOf(org)));
    expect(receipts.map((r) => r.outcome)).toEqual(['refused', 'received']);
  });
});

describe('the way of a job', () => {
  const state = async (): Promise<string | undefined> => {
    const { body } = await manager.call('GET', '/api/jobs');
    return (body as { rows: { job: { state: string } }[] }).rows[0]?.job.state;
  };

  test('goes from planned over review and return to approved', async () => {
    expect(await state()).toBe('planned');
    await technician.push(asEntry(entryOf(org, { value: 78.5 })));
    expect(await state()).toBe('under way');
    const finish = stage('finish');
    await technician.push(asEntry(finish));
    expect(await state()).toBe('in review');
    const queue = (await reviewer.call('GET', '/api/review')).body as { rows: unknown[] };
    expect(queue.rows).toMatchObject([{ sheet: org.sheet, summary: { alerts: 1, worst: 3 } }]);
    const back = stage('return', { by: org.people.reviewer, reason: 'photo', seen: [finish.id] });
    await reviewer.push(asEntry(back));
    expect(await state()).toBe('returned');
    const again = stage('finish', { seen: [back.id] });
    await technician.push(asEntry(again));
    await reviewer.push(asEntry(stage('approve', { by: org.people.reviewer, seen: [again.id] })));
    expect(await state()).toBe('approved');
  });

  test('nobody approves what they did themselves', async () => {
    await manager.call('PUT', `/api/visits/${org.visit}/plan`, {
      person: org.people.reviewer,
      day: new Date().toISOString().slice(0, 10),
      start: 480,
      minutes: 45,
    });
    const [receipt] = await reviewer.push(asEntry(stage('approve', { by: org.people.reviewer })));
    expect(receipt?.reason).toMatch(/Somebody else/);
  });
});

describe('pull', () => {
  test('fills a phone with all it needs, then brings only what is new', async () => {
    const first = await pull(technician);
    expect(first).toMatchObject({ more: false, visits: [org.visit] });
    expect(first.of('visit')).toMatchObject([{ id: org.visit }]);
    expect(first.of('job')).toMatchObject([{ id: org.job, sheet: { id: org.sheet } }]);
    expect(first.of('site')).toMatchObject([{ id: org.site, hazards: ['Dog'] }]);
    expect(first.of('template')).toMatchObject([{ id: org.version, number: 4 }]);
    expect((await pull(technician, first.cursor)).of('visit')).toEqual([]);
    const one = entryOf(org);
    await technician.push(asEntry(one));
    const next = await pull(technician, first.cursor);
    expect(next.of('entry').map((entry) => entry.body.id)).toContain(one.id);
    expect((await pull(technician, next.cursor)).of('entry')).toEqual([]);
  });

  test('takes a visit away when it becomes somebody else’s', async () => {
    const { cursor } = await pull(technician);
    await manager.call('PUT', `/api/visits/${org.visit}/plan`, {
      person: null,
      day: '2031-01-01',
      start: 480,
      minutes: 45,
    });
    expect((await pull(technician, cursor)).gone('visit')).toEqual([org.visit]);
  });

  test('brings a job of last month back when it is returned', async () => {
    const finish = stage('finish');
    await technician.push(asEntry(entryOf(org)), asEntry(finish));
    await office.data.transaction(async (db) => {
      await db.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
      await db.query(`UPDATE visit SET day = current_date - 40`);
    });
    const { cursor, visits } = await pull(technician);
    expect(visits).toEqual([]);
    const back = { by: org.people.reviewer, reason: 'again', seen: [finish.id] };
    await reviewer.push(asEntry(stage('return', back)));
    const next = await pull(technician, cursor);
    expect(next.of('visit')).toMatchObject([{ id: org.visit }]);
    expect(next.of('entry')).toHaveLength(3);
  });

  test('with a cursor nobody can read, fills the phone anew', async () => {
    expect((await pull(technician, 'nonsense')).of('visit')).toHaveLength(1);
  });
});

test('an action opened on a phone arrives once, and is verified by a second person', async () => {
  const id = timeOrderedId(Date.now(), new Uint8Array(16).fill(9));
  const draft = {
    kind: 'action',
    body: {
      id,
      site: org.site,
      sheet: org.sheet,
      key: 'temp',
      title: 'Re-line',
      details: '',
      severity: 3,
      owner: org.people.technician,
      dueOn: '2031-01-01',
    },
  };
  expect((await technician.push(draft, draft)).map((r) => r.outcome)).toEqual([
    'received',
    'already had',
  ]);
  const move = (who: Caller, to: string, note = '') =>
    who.call('POST', `/api/actions/${id}/moves`, { to, note });
  expect((await move(technician, 'verified')).status).toBe(409);
  expect((await move(manager, 'done')).status).toBe(200);
  expect((await move(manager, 'verified')).body).toMatchObject({ code: 'second-person' });
  expect((await move(reviewer, 'verified')).body).toMatchObject({ state: 'verified' });
});
