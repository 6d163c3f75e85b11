import { randomUUID } from 'node:crypto';
import type { Action } from '@ant-trail/contract/actions';
import type { Dossier } from '@ant-trail/contract/review';
import type { JobCard } from '@ant-trail/contract/planning';
import { addDays } from '@ant-trail/core/calendar';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import { needOfEyes } from '@ant-trail/core/review';
import { EMPTY_SUMMARY, fold, planSheet, summarise } from '@ant-trail/core/sheet';
import { CASES } from '../../../packages/core/test/every-kind.ts';
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
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let reviewer: Caller;
let technician: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  ({ org, manager, reviewer, technician } = await office.newTeam(`work${++count}`));
});

const TODAY = new Date().toISOString().slice(0, 10);
const stage = (kind: 'finish' | 'return' | 'approve', over: Partial<Entry> = {}): Entry =>
  entryOf(org, { path: '~stage', kind, value: null, ...over });
const signed = (sheet: string): Entry =>
  entryOf(org, {
    sheet,
    path: 'signed',
    value: CASES.signature.good,
  });

describe('planning', () => {
  const draft = () => ({
    site: org.site,
    template: org.template,
    title: 'Round',
    instructions: '',
    day: TODAY,
    windowFrom: null as number | null,
    windowTo: null as number | null,
    start: 600,
    minutes: 30,
    person: org.people.technician as string | null,
    recipients: [] as string[],
  });
  const make = (over: object = {}) => manager.call('POST', '/api/jobs', { ...draft(), ...over });
  const card = async (over: object = {}): Promise<JobCard> => (await make(over)).body as JobCard;

  test('a job comes with its visit and a sheet under the newest version, and is on its day', async () => {
    const { job, visits, siteName } = await card();
    const [visit] = visits;
    expect(job).toMatchObject({ state: 'planned', sheet: { version: org.version, job: job.id } });
    expect(visit).toMatchObject({
      job: job.id,
      person: org.people.technician,
      start: 600,
      events: [],
    });
    expect(siteName).toMatch(/^Site of work/);
    const day = (await manager.call('GET', `/api/day?day=${TODAY}`)).body as { cards: JobCard[] };
    expect(day.cards.map((each) => each.job.id)).toContain(job.id);
  });

  test.each([
    ['no place', { site: '' }, 400],
    ['a place that is not there', { site: randomUUID() }, 404],
    ['a person who is not there', { person: randomUUID() }, 404],
    ['a template that is not there', { template: randomUUID() }, 404],
    ['a window that ends before it begins', { windowFrom: 700, windowTo: 600 }, 400],
    ['a visit of two minutes', { minutes: 2 }, 400],
    ['a start after midnight', { start: 1500 }, 400],
    ['a day that is none', { day: '2031-02-30' }, 400],
    ['a recipient that is no address', { recipients: ['the client'] }, 400],
    ['a programme the template does not have', { programme: 'gold' }, 422],
    ['no title', { title: '  ' }, 400],
  ])('%s is refused in words, and nothing is made', async (_what, over, status) => {
    const before = await manager.call('GET', '/api/jobs');
    const answer = await make(over);
    expect(answer.status).toBe(status);
    expect((answer.body as { message: string }).message).toMatch(/^[A-Z].*\.$/);
    expect((await manager.call('GET', '/api/jobs')).body).toEqual(before.body);
  });

  test('a job for nobody is a draft; given to somebody it is planned, and on their phone', async () => {
    const { job, visits } = await card({ person: null });
    const [visit] = visits;
    expect(job.state).toBe('draft');
    const plan = { person: org.people.technician, day: addDays(TODAY, 1), start: 480, minutes: 45 };
    const answer = await manager.call('PUT', `/api/visits/${visit?.id ?? ''}/plan`, plan);
    expect(answer.body).toMatchObject({ job: { state: 'planned', day: plan.day }, visit: plan });
    const pulled = await pull(technician);
    expect(pulled.of('job').map(({ id }) => id)).toContain(job.id);
  });

  test('taken from a person it is gone from their phone', async () => {
    const { cursor } = await pull(technician);
    const plan = { person: null, day: TODAY, start: 480, minutes: 45 };
    await manager.call('PUT', `/api/visits/${org.visit}/plan`, plan);
    const next = await pull(technician, cursor);
    expect([next.gone('visit'), next.of('visit')]).toEqual([[org.visit], []]);
  });

  test('what is approved can’t be planned again', async () => {
    const end = stage('finish');
    await technician.push(asEntry(entryOf(org)), asEntry(signed(org.sheet)), asEntry(end));
    await reviewer.push(asEntry(stage('approve', { by: org.people.reviewer, seen: [end.id] })));
    const plan = { person: org.people.technician, day: TODAY, start: 480, minutes: 45 };
    const answer = await manager.call('PUT', `/api/visits/${org.visit}/plan`, plan);
    expect(answer).toMatchObject({ status: 409, body: { code: 'settled' } });
  });

  test('jobs are listed by state', async () => {
    await card({ person: null });
    const states = async (query: string): Promise<string[]> =>
      ((await manager.call('GET', `/api/jobs${query}`)).body as { rows: JobCard[] }).rows.map(
        ({ job }) => job.state,
      );
    expect((await states('')).sort()).toEqual(['draft', 'planned']);
    expect(await states('?state=draft')).toEqual(['draft']);
    expect(await states('?state=approved')).toEqual([]);
  });
});

describe('review', () => {
  /** A further job of the technician’s, finished with this temperature. */
  const finished = async (value: number): Promise<string> => {
    const { body } = await manager.call('POST', '/api/jobs', {
      ...{ site: org.site, template: org.template, title: 'Round', instructions: '', day: TODAY },
      ...{ windowFrom: null, windowTo: null, start: 600, minutes: 30, recipients: [] },
      person: org.people.technician,
    });
    const sheet = (body as JobCard).job.sheet.id;
    const receipts = await technician.push(
      asEntry(entryOf(org, { sheet, value })),
      asEntry(signed(sheet)),
      asEntry(stage('finish', { sheet })),
    );
    expect(receipts.filter(({ outcome }) => outcome !== 'received')).toEqual([]);
    return sheet;
  };
  const queue = async (): Promise<string[]> =>
    ((await reviewer.call('GET', '/api/review')).body as { rows: { sheet: string }[] }).rows.map(
      ({ sheet }) => sheet,
    );

  test('what needs eyes comes first, then what waits longest', async () => {
    const usual = await finished(40);
    const later = await finished(41);
    const hot = await finished(90);
    expect(await queue()).toEqual([hot, usual, later]);
  });

  test('the order is that of the core, over pages, whatever the sheets came to', async () => {
    const sheets: string[] = [];
    for (let nr = 0; nr < 7; nr++) sheets.push(await finished(40 + nr));
    const summaries = sheets.map((_, nr) => ({
      ...EMPTY_SUMMARY,
      ...{ stage: 'finished' as const, worst: ([0, 2, 2, 0, 4, 0, 2] as const)[nr] ?? 0 },
      ...{ alerts: nr * 4, disagreements: nr % 3, editedAfterFinish: 11 - nr },
      finishedAt: `2026-01-0${9 - nr}T08:00:00.000Z`,
    }));
    await inOrganisation(office.data, org.id, async (db) => {
      for (const [nr, sheet] of sheets.entries())
        await db.query(`UPDATE sheet SET summary = $2 WHERE id = $1`, [
          sheet,
          JSON.stringify(summaries[nr]),
        ]);
    });
    const read: string[] = [];
    let cursor = '';
    do {
      const { body } = await reviewer.call('GET', `/api/review?most=2${cursor}`);
      const { rows, next, total } = body as {
        rows: { sheet: string }[];
        next: string | null;
        total: number | null;
      };
      if (!cursor) expect(total).toBe(sheets.length);
      read.push(...rows.map(({ sheet }) => sheet));
      cursor = next === null ? '' : `&cursor=${next}`;
    } while (cursor);
    const wanted = sheets
      .map((sheet, nr) => ({ sheet, eyes: needOfEyes(summaries[nr] ?? EMPTY_SUMMARY), nr }))
      .sort((a, b) => b.eyes - a.eyes || b.nr - a.nr);
    expect(read).toEqual(wanted.map(({ sheet }) => sheet));
  });

  test('a job may name who reads it: the others have it among all, and only readers are named', async () => {
    const named = (reader: string) =>
      manager.call('POST', '/api/jobs', {
        ...{ site: org.site, template: org.template, title: 'Round', instructions: '', day: TODAY },
        ...{ windowFrom: null, windowTo: null, start: 600, minutes: 30, recipients: [] },
        ...{ person: org.people.technician, reader },
      });
    const wrong = await named(org.people.technician);
    expect(wrong).toMatchObject({ status: 409, body: { code: 'no-reader' } });
    expect((await named(randomUUID())).status).toBe(404);
    const open = await finished(41);
    const sheet = ((await named(org.people.manager)).body as JobCard).job.sheet.id;
    await technician.push(
      asEntry(entryOf(org, { sheet })),
      asEntry(signed(sheet)),
      asEntry(stage('finish', { sheet })),
    );
    const waiting = async (who: Caller, query: string): Promise<string[]> =>
      ((await who.call('GET', `/api/review${query}`)).body as { rows: { sheet: string }[] }).rows
        .map((row) => row.sheet)
        .sort();
    const both = [open, sheet].sort();
    expect(await waiting(reviewer, '')).toEqual(both);
    expect(await waiting(reviewer, `?reader=${org.people.reviewer}`)).toEqual([open]);
    expect(await waiting(manager, `?reader=${org.people.manager}`)).toEqual(both);
    expect(await waiting(reviewer, '?text=no+such+words')).toEqual([]);
    expect(await waiting(reviewer, `?site=${org.site}&text=round`)).toEqual(both);
  });

  test('what is returned leaves the queue and comes back when it is finished again', async () => {
    const sheet = await finished(40);
    const { entries } = (await reviewer.call('GET', `/api/sheets/${sheet}`)).body as Dossier;
    const last = entries.at(-1)!;
    const back = stage('return', {
      ...{ sheet, by: org.people.reviewer, seen: [last.id], reason: 'Which scale?' },
    });
    await reviewer.push(asEntry(back));
    expect(await queue()).toEqual([]);
    await technician.push(asEntry(stage('finish', { sheet, seen: [back.id] })));
    expect(await queue()).toEqual([sheet]);
  });

  test('the summaries are what the log folds to, whatever wrote them', async () => {
    const sheets = [await finished(40), await finished(90)];
    for (const sheet of sheets) {
      const { entries } = (await reviewer.call('GET', `/api/sheets/${sheet}`)).body as Dossier;
      const [row] = await inOrganisation(office.data, org.id, (db) =>
        db.query<{ summary: unknown }[]>('SELECT summary FROM sheet WHERE id = $1', [sheet]),
      );
      expect(row?.summary).toEqual(
        JSON.parse(JSON.stringify(summarise(fold(planSheet(TEMPLATE), entries)))),
      );
    }
  });

  test('a sheet that is not there is said to be so', async () => {
    const answer = await reviewer.call('GET', `/api/sheets/${randomUUID()}`);
    expect(answer.status).toBe(404);
    expect((answer.body as { message: string }).message).toMatch(/^[A-Z].*\.$/);
  });
});

describe('corrective actions', () => {
  const draft = (over: object = {}) => ({
    id: timeOrderedId(Date.now(), Buffer.from(randomUUID())),
    site: org.site,
    sheet: org.sheet,
    key: 'temp',
    title: 'Re-line the brake',
    details: '',
    severity: 3,
    owner: org.people.technician,
    dueOn: TODAY,
    ...over,
  });
  const open = async (over: object = {}): Promise<string> => {
    const action = draft(over);
    const { status } = await manager.call('POST', '/api/actions', action);
    expect(status).toBe(200);
    return action.id;
  };
  const move = (who: Caller, id: string, to: string, note = '') =>
    who.call('POST', `/api/actions/${id}/moves`, { to, note });

  test('goes from open to verified by two people, with every move on record', async () => {
    const id = await open();
    expect((await move(technician, id, 'in hand')).status).toBe(200);
    expect((await move(technician, id, 'done', 'new lining')).status).toBe(200);
    expect((await move(technician, id, 'verified')).body).toMatchObject({ code: 'second-person' });
    const { body } = await move(reviewer, id, 'verified', 'seen');
    expect(body).toMatchObject({
      state: 'verified',
      moves: [
        { from: 'open', to: 'in hand', by: org.people.technician },
        { from: 'in hand', to: 'done', by: org.people.technician, note: 'new lining' },
        { from: 'done', to: 'verified', by: org.people.reviewer, note: 'seen' },
      ],
    });
  });

  test('done by the office, it is verified by somebody else of the office', async () => {
    const id = await open();
    await move(manager, id, 'done');
    expect((await move(manager, id, 'verified')).status).toBe(403);
    expect((await move(reviewer, id, 'verified')).status).toBe(200);
  });

  test('what does not stand the check goes back in hand, and whoever does it again is the doer', async () => {
    const id = await open();
    await move(technician, id, 'done');
    await move(reviewer, id, 'in hand', 'still squeals');
    await move(reviewer, id, 'done');
    expect((await move(reviewer, id, 'verified')).status).toBe(403);
    expect((await move(manager, id, 'verified')).status).toBe(200);
  });

  test.each([
    ['a step that can’t come now', 'manager', 'verified', '', 409, /is open can't become verified/],
    ['being dropped without a word', 'manager', 'dropped', ' ', 400, /Say why/],
    ['being dropped by its owner', 'technician', 'dropped', 'no', 403, /Only the office/],
    ['a state that is none', 'manager', 'forgotten', '', 400, /./],
  ] as const)('refuses %s', async (_what, who, to, note, status, words) => {
    const answer = await move({ manager, technician }[who], await open(), to, note);
    expect(answer.status).toBe(status);
    expect((answer.body as { message: string }).message).toMatch(words);
  });

  test('is dropped and verified by an administrator too, who may open one as well', async () => {
    await inOrganisation(office.data, org.id, (db) =>
      db.query(`UPDATE person SET roles = '{administrator}' WHERE id = $1`, [org.people.manager]),
    );
    const dropped = await move(manager, await open(), 'dropped', 'twice the same');
    expect(dropped).toMatchObject({ status: 200, body: { state: 'dropped' } });
    const id = await open();
    await move(technician, id, 'done');
    expect((await move(manager, id, 'verified')).status).toBe(200);
  });

  test('belongs to its owner: no other technician moves it', async () => {
    const id = await open({ owner: org.people.manager });
    expect((await move(technician, id, 'done')).status).toBe(403);
  });

  const listed = async (query = ''): Promise<string[]> =>
    ((await manager.call('GET', `/api/actions?${query}`)).body as { rows: Action[] }).rows.map(
      ({ id }) => id,
    );

  test('the list has what is not settled, by its day; the rest where it is asked for', async () => {
    const old = await open({ dueOn: '2020-01-01', title: 'Replace the lamp', severity: 1 });
    await move(manager, old, 'dropped', 'removed from service');
    const late = await open({ dueOn: '2021-01-01', title: 'Tighten the rail', severity: 2 });
    const done = await open({ dueOn: '2021-06-01', severity: 4 });
    await move(manager, done, 'done');
    const next = await open({ dueOn: '2032-01-01', owner: org.people.manager, severity: 3 });
    expect(await listed()).toEqual([late, next, done]);
    expect(await listed('order=due')).toEqual([late, done, next]);
    expect(await listed('order=-due')).toEqual([next, done, late]);
    expect(await listed('order=-severity')).toEqual([done, next, late]);
    expect(await listed('stand=overdue')).toEqual([late]);
    expect(await listed('stand=to%20verify')).toEqual([done]);
    expect(await listed('stand=settled')).toEqual([old]);
    expect(await listed('stand=any')).toEqual([late, next, done, old]);
    expect(await listed('text=lamp')).toEqual([]);
    expect(await listed('text=LAMP&stand=any')).toEqual([old]);
    expect(await listed(`owner=${org.people.manager}`)).toEqual([next]);
    expect(await listed(`site=${randomUUID()}`)).toEqual([]);
    const table = await manager.call('GET', '/api/actions.csv?stand=any&order=due');
    expect((table.body as string).split('\r\n').slice(0, 3)).toEqual([
      expect.stringContaining('Due,Action,Why,Place,State'),
      expect.stringMatching(/^2020-01-01,Replace the lamp,.*,dropped,.*removed from service/),
      expect.stringMatching(/^2021-01-01,Tighten the rail,/),
    ]);
    const one = await manager.call('GET', `/api/actions/${done}`);
    expect(one.body).toMatchObject({ id: done, state: 'done', moves: [{ to: 'done' }] });
    expect((await manager.call('GET', `/api/actions/${randomUUID()}`)).status).toBe(404);
    expect((await technician.call('GET', `/api/actions/${done}`)).status).toBe(403);
  });

  test('sent again it is there once, and what it names must be there', async () => {
    const action = draft();
    await manager.call('POST', '/api/actions', action);
    await manager.call('POST', '/api/actions', action);
    expect(await listed()).toEqual([action.id]);
    for (const wrong of [{ site: randomUUID() }, { owner: randomUUID() }, { sheet: randomUUID() }])
      expect((await manager.call('POST', '/api/actions', draft(wrong))).status).toBe(404);
  });
});
