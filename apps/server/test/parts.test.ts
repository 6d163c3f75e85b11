import { randomBytes, randomUUID } from 'node:crypto';
import type { JobCard } from '@ant-trail/contract/planning';
import type { JobDetails } from '@ant-trail/contract/planning/desk';
import type { Dossier } from '@ant-trail/contract/review';
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
import { inOrganisation } from '../src/database/tenancy.ts';

const TODAY = new Date().toISOString().slice(0, 10);
const newId = (): string => timeOrderedId(Date.now(), randomBytes(16));

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;
let manager: Caller;
let helper: Caller;
let bo: string;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  ({ org, technician, reviewer, manager } = await office.newTeam(`parts${++count}`));
  // A second person in the field, with the first one's password.
  bo = randomUUID();
  await inOrganisation(office.data, org.id, (db) =>
    db.query(
      `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
       SELECT org_id, $1, branch_id, 'Bo', $2, '', roles, trade, password_hash FROM person WHERE id = $3`,
      [bo, `bo@parts${count}.example`, org.people.technician],
    ),
  );
  helper = await office.signIn(`bo@parts${count}.example`);
});

const makeJob = async (over: object = {}): Promise<JobCard> => {
  const { status, body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: org.template, title: 'Round', instructions: '', day: TODAY },
    ...{ windowFrom: null, windowTo: null, start: 600, minutes: 30, recipients: [] },
    person: org.people.technician,
    ...over,
  });
  expect(status).toBe(200);
  return body as JobCard;
};
const more = (person: string | null = null) => ({ template: org.template, asset: null, person });
const pair = (): Promise<JobCard> => makeJob({ helpers: [bo], moreSheets: [more(), more(bo)] });
const words = async (who: Caller, ...operations: unknown[]): Promise<string[]> =>
  (await who.push(...operations)).map(({ outcome, reason }) => reason ?? outcome);
const finish = (sheet: string, by = org.people.technician): Entry =>
  entryOf(org, { sheet, by, path: '~stage', kind: 'finish', value: null });
const answer = (sheet: string, by = org.people.technician, value = 40): Entry =>
  entryOf(org, { sheet, by, value });
const details = async (job: string): Promise<JobDetails> =>
  (await manager.call('GET', `/api/jobs/${job}`)).body as JobDetails;
const stateOf = async (job: string): Promise<string> => (await details(job)).card.job.state;
const handover = (job: string, over: object, by = org.people.technician) => ({
  kind: 'handover',
  body: {
    ...{ id: newId(), job, visit: null, sheet: null, to: bo, word: 'Called away', by },
    ...{ at: new Date().toISOString(), ...over },
  },
});

describe('a job for two with three sheets', () => {
  test('is on both phones whole, and on the day once for each of them', async () => {
    const { job, visits } = await pair();
    expect(visits.map(({ person, part }) => [person, part])).toEqual([
      [org.people.technician, 'leads'],
      [bo, 'helps'],
    ]);
    for (const who of [technician, helper]) {
      const got = await pull(who);
      const mine = got.of('job').find(({ id }) => id === job.id);
      expect(mine?.sheets).toHaveLength(3);
      expect(got.of('visit').filter((visit) => visit.job === job.id)).toHaveLength(2);
    }
    const { body } = await manager.call('GET', `/api/day?day=${TODAY}`);
    const { cards } = body as { cards: { job: { id: string } }[] };
    expect(cards.filter((card) => card.job.id === job.id)).toHaveLength(2);
  });

  test('brings everybody whose sheet it has, also where they were not named as helpers', async () => {
    const { visits } = await makeJob({ moreSheets: [more(bo), more(org.people.technician)] });
    expect(visits.map(({ person, part }) => [person, part])).toEqual([
      [org.people.technician, 'leads'],
      [bo, 'helps'],
    ]);
  });

  test('given to somebody else, a visit takes the sheets along that were its person’s own', async () => {
    const { job, visits } = await pair();
    const helps = visits.find(({ person }) => person === bo);
    const plan = { person: org.people.reviewer, day: TODAY, start: 480, minutes: 45 };
    await manager.call('PUT', `/api/visits/${helps?.id ?? ''}/plan`, plan);
    const { card } = await details(job.id);
    expect(card.job.sheets.map(({ person }) => person)).toEqual([null, null, plan.person]);
  });

  test('a shared sheet is filled in by both, one’s own by nobody else', async () => {
    const { job } = await pair();
    const [shared, , own] = job.sheets;
    if (!shared || !own) throw new Error('sheets are missing');
    expect(await words(helper, asEntry(answer(shared.id, bo)))).toEqual(['received']);
    expect(await words(technician, asEntry(answer(shared.id)))).toEqual(['received']);
    expect(await words(helper, asEntry(answer(own.id, bo)))).toEqual(['received']);
    expect(await words(technician, asEntry(answer(own.id)))).toEqual([
      expect.stringMatching(/not yours/),
    ]);
  });

  test('is in review when all of them are finished, and approved when all are', async () => {
    const { job } = await pair();
    const ids = job.sheets.map(({ id }) => id);
    const ends: Entry[] = [];
    for (const id of ids) {
      expect(await stateOf(job.id)).not.toBe('in review');
      const end = finish(id, bo);
      ends.push(end);
      await helper.push(asEntry(end));
    }
    expect(await stateOf(job.id)).toBe('in review');
    const { body } = await reviewer.call('GET', '/api/review');
    expect((body as { rows: { sheet: string }[] }).rows.map(({ sheet }) => sheet).sort()).toEqual(
      [...ids].sort(),
    );
    for (const end of ends) {
      const seen = [end.id];
      const by = org.people.reviewer;
      const move = {
        sheet: end.sheet,
        path: '~stage',
        kind: 'approve',
        value: null,
        seen,
        by,
      } as const;
      expect(await words(reviewer, asEntry(entryOf(org, move)))).toEqual(['received']);
    }
    expect(await stateOf(job.id)).toBe('approved');
  });

  test('readings and facts of one thing are not those of another', async () => {
    const { job } = await pair();
    const added = await manager.call('POST', `/api/sites/${org.site}/assets`, {
      ...{ kind: 'pump', name: 'Pump 2' },
    });
    const asset = (added.body as { id: string }).id;
    const about = await makeJob({ moreSheets: [{ ...more(), asset }] });
    const [whole, thing] = about.job.sheets;
    const [first] = job.sheets;
    if (!whole || !thing || !first) throw new Error('sheets are missing');
    await technician.push(
      ...[answer(whole.id, undefined, 41), answer(thing.id, undefined, 55)].map(asEntry),
      ...[finish(whole.id), finish(thing.id)].map(asEntry),
    );
    const points = async (sheet: string): Promise<number[]> => {
      const { body } = await manager.call('GET', `/api/sheets/${sheet}`);
      return (body as Dossier).series.flatMap((each) => each.points.map(({ value }) => value));
    };
    expect(await points(first.id)).toEqual([41]);
    const next = await makeJob({ moreSheets: [{ ...more(), asset }] });
    expect(await points(next.job.sheets[1]?.id ?? '')).toEqual([55]);
  });
});

describe('handing over', () => {
  test('a visit goes to a colleague’s phone and leaves the giver’s, who may still send', async () => {
    const { job, visits } = await makeJob();
    const visit = visits[0]?.id ?? '';
    const { cursor } = await pull(technician);
    const given = handover(job.id, { visit });
    const before = answer(job.sheet.id);
    expect(await words(technician, given, asEntry(before))).toEqual(['received', 'received']);
    expect(await words(technician, given)).toEqual(['already had']);
    const after = await pull(technician, cursor);
    expect(after.gone('visit')).toContain(visit);
    expect((await pull(helper)).of('visit').map(({ id }) => id)).toContain(visit);
    // What another of the giver's phones had not sent yet.
    const event = { visit, kind: 'left', by: org.people.technician, fix: null, distance: null };
    const late = {
      kind: 'visit event',
      body: { ...event, id: newId(), at: new Date().toISOString() },
    };
    const lateEntry = asEntry(answer(job.sheet.id, undefined, 44));
    expect(await words(technician, late, lateEntry)).toEqual(['received', 'received']);
    expect(await words(helper, asEntry(answer(job.sheet.id, bo, 45)))).toEqual(['received']);
  });

  test('taken by the office, a visit leaves nobody’s words behind: they come marked, and finish nothing', async () => {
    const { job, visits } = await makeJob();
    const visit = visits[0]?.id ?? '';
    const plan = { person: bo, day: TODAY, start: 480, minutes: 45 };
    await manager.call('PUT', `/api/visits/${visit}/plan`, plan);
    // Written with no network, before the phone heard of it.
    const late = answer(job.sheet.id);
    const fresh = (): string => timeOrderedId(Date.now(), randomBytes(16));
    const arrived = {
      ...{ id: fresh(), visit, kind: 'arrived' },
      ...{ by: org.people.technician, at: new Date().toISOString(), fix: null, distance: null },
    };
    expect(
      await words(
        technician,
        asEntry(late),
        { kind: 'visit event', body: arrived },
        asEntry(finish(job.sheet.id, org.people.technician)),
        { kind: 'visit event', body: { ...arrived, id: fresh(), kind: 'left' } },
      ),
    ).toEqual([
      ...['received', 'received'],
      expect.stringMatching(/somebody else, who finishes/),
      expect.stringMatching(/has this visit now/),
    ]);
    const { body } = await manager.call('GET', `/api/sheets/${job.sheet.id}`);
    expect((body as Dossier).odd).toEqual({ [late.id]: ['taken from'] });
    expect((body as Dossier).entries.map(({ id }) => id)).toEqual([late.id]);
    // Who has it now works as ever; who never had it is told so.
    expect(await words(helper, asEntry(answer(job.sheet.id, bo, 45)))).toEqual(['received']);
    expect(await words(reviewer, asEntry(answer(job.sheet.id, org.people.reviewer)))).toEqual([
      expect.stringMatching(/correct it, with a reason/),
    ]);
    // Given back, it is theirs like before.
    await manager.call('PUT', `/api/visits/${visit}/plan`, {
      ...plan,
      person: org.people.technician,
    });
    const again = answer(job.sheet.id, undefined, 46);
    expect(await words(technician, asEntry(again))).toEqual(['received']);
    const now = (await manager.call('GET', `/api/sheets/${job.sheet.id}`)).body as Dossier;
    expect(now.odd[again.id]).toBeUndefined();
  });

  test('called off meanwhile, what was answered is with the office all the same', async () => {
    const { job } = await makeJob();
    await manager.call('POST', `/api/jobs/${job.id}/decisions`, {
      ...{ decision: 'cancelled', reason: 'The road is closed.' },
    });
    expect(await words(technician, asEntry(answer(job.sheet.id)))).toEqual(['received']);
    expect(await stateOf(job.id)).toBe('cancelled');
  });

  test('a sheet goes with the job around it; the giver keeps the rest', async () => {
    const { job } = await makeJob({ moreSheets: [more()] });
    const [first, second] = job.sheets;
    if (!first || !second) throw new Error('sheets are missing');
    expect(await words(technician, handover(job.id, { sheet: second.id }))).toEqual(['received']);
    const { card } = await details(job.id);
    expect(card.job.sheets.map(({ person }) => person)).toEqual([null, bo]);
    expect(card.visits.map(({ person, part }) => [person, part])).toEqual([
      [org.people.technician, 'leads'],
      [bo, 'helps'],
    ]);
    expect(await words(technician, asEntry(answer(first.id)))).toEqual(['received']);
  });

  test('is refused of what is not one’s own, to nobody who is there, and of both at once', async () => {
    const { job, visits } = await makeJob();
    const visit = visits[0]?.id ?? '';
    expect(await words(helper, handover(job.id, { visit, to: org.people.technician }, bo))).toEqual(
      [expect.stringMatching(/not yours any more/)],
    );
    expect(await words(technician, handover(job.id, { visit, to: randomUUID() }))).toEqual([
      expect.stringMatching(/person/),
    ]);
    const sheet = job.sheet.id;
    expect(await words(technician, handover(job.id, { visit, sheet }))).toEqual([
      expect.stringMatching(/input is not right/),
    ]);
  });

  test('the same from two phones at once is taken once; to a colleague who is there, nobody loses a word', async () => {
    const { job, visits } = await pair();
    const visit = visits[0]?.id ?? '';
    const given = handover(job.id, { visit });
    const twice = await Promise.all([words(technician, given), words(technician, given)]);
    expect(twice.flat().sort()).toEqual(['already had', 'received']);
    const { card } = await details(job.id);
    expect(card.visits.map(({ person, part }) => [person, part])).toContainEqual([bo, 'leads']);
    const event = { visit, kind: 'left', by: org.people.technician, fix: null, distance: null };
    const late = {
      kind: 'visit event',
      body: { ...event, id: newId(), at: new Date().toISOString() },
    };
    const [first] = job.sheets;
    expect(await words(technician, late, asEntry(answer(first?.id ?? '')))).toEqual([
      'received',
      'received',
    ]);
  });

  test('to oneself is refused', async () => {
    const { job, visits } = await makeJob();
    const own = { visit: visits[0]?.id ?? '', to: org.people.technician };
    expect(await words(technician, handover(job.id, own))).toEqual([
      expect.stringMatching(/input is not right/),
    ]);
    expect((await details(job.id)).card.visits).toHaveLength(1);
  });

  test('of a visit the office gave away meanwhile is refused in words, and changes nothing', async () => {
    const { job, visits } = await makeJob();
    const visit = visits[0]?.id ?? '';
    const plan = { person: org.people.reviewer, day: TODAY, start: 480, minutes: 45 };
    await manager.call('PUT', `/api/visits/${visit}/plan`, plan);
    expect(await words(technician, handover(job.id, { visit }))).toEqual([
      expect.stringMatching(/gave it to somebody else/),
    ]);
    expect((await details(job.id)).card.visits[0]?.person).toBe(org.people.reviewer);
  });
});

describe('work that was not planned', () => {
  const begun = (over: object = {}) => ({
    kind: 'job begun',
    body: {
      ...{ id: newId(), visit: newId(), sheet: newId(), site: org.site, version: org.version },
      ...{ title: 'Round', day: TODAY, start: 600, by: org.people.technician },
      ...{ at: new Date().toISOString(), ...over },
    },
  });

  test('begins on a phone, with its answers in the same batch, and is planned by that', async () => {
    const job = begun();
    const { id, sheet } = job.body;
    expect(await words(technician, asEntry(answer(sheet)), job)).toEqual(['received', 'received']);
    expect(await words(technician, job)).toEqual(['already had']);
    expect(await stateOf(id)).toBe('under way');
    expect((await pull(technician)).of('job').map((each) => each.id)).toContain(id);
  });

  test('sent by two tabs at once it is made once', async () => {
    const job = begun();
    const twice = await Promise.all([words(technician, job), words(technician, job)]);
    expect(twice.flat().sort()).toEqual(['already had', 'received']);
  });

  test('is refused at a place or under a template that is not there, or as somebody else', async () => {
    expect(await words(technician, begun({ site: randomUUID() }))).toEqual([
      expect.stringMatching(/does not have this place/),
    ]);
    expect(await words(technician, begun({ version: randomUUID() }))).toEqual([
      expect.stringMatching(/template/),
    ]);
    expect(await words(technician, begun({ by: bo }))).toEqual([
      expect.stringMatching(/another person’s name/),
    ]);
  });

  test('a sheet added on site belongs to the job; the number that is expected is waited for', async () => {
    const { job } = await makeJob({ expectedSheets: 2 });
    await technician.push(asEntry(finish(job.sheet.id)));
    expect(await stateOf(job.id)).toBe('under way');
    const id = newId();
    const added = {
      kind: 'sheet added',
      body: {
        ...{ id, job: job.id, version: org.version, asset: null, person: null },
        ...{ by: org.people.technician, at: new Date().toISOString() },
      },
    };
    expect(await words(technician, added, asEntry(finish(id)))).toEqual(['received', 'received']);
    expect(await words(technician, added)).toEqual(['already had']);
    expect(await stateOf(job.id)).toBe('in review');
    const { card } = await details(job.id);
    expect(card.job.sheets.map(({ expected }) => expected)).toEqual([true, false]);
    const foreign = { ...added, body: { ...added.body, id: newId(), by: bo } };
    expect(await words(helper, foreign)).toEqual([expect.stringMatching(/not yours/)]);
  });
});

describe('the office decides about a job', () => {
  const decide = (job: string, decision: string, reason = 'The client called') =>
    manager.call('POST', `/api/jobs/${job}/decisions`, { decision, reason });

  test('cancelled, it leaves the phone; what was captured stays, and more is taken in', async () => {
    const { job, visits } = await makeJob();
    await technician.push(asEntry(answer(job.sheet.id)));
    const { cursor } = await pull(technician);
    expect((await decide(job.id, 'cancelled')).status).toBe(200);
    expect(await stateOf(job.id)).toBe('cancelled');
    expect((await pull(technician, cursor)).gone('visit')).toContain(visits[0]?.id);
    expect(await words(technician, asEntry(answer(job.sheet.id, undefined, 41)))).toEqual([
      'received',
    ]);
    const { body } = await manager.call('GET', `/api/sheets/${job.sheet.id}`);
    expect((body as Dossier).entries).toHaveLength(2);
    expect((await decide(job.id, 'reopened')).status).toBe(200);
    expect(await stateOf(job.id)).toBe('under way');
    expect((await pull(technician)).of('job').map(({ id }) => id)).toContain(job.id);
    expect((await details(job.id)).decisions.map(({ decision }) => decision)).toEqual([
      'cancelled',
      'reopened',
    ]);
  });

  test.each([
    ['reopened', 'a planned one', /Only a closed or cancelled job/],
    ['closed', 'one that nobody began', /cancel it instead/],
  ])('%s: not %s', async (decision, _what, why) => {
    const { job } = await makeJob();
    const { status, body } = await decide(job.id, decision);
    expect(status).toBe(409);
    expect((body as { message: string }).message).toMatch(why);
  });

  test('with a reason, and nobody but who plans', async () => {
    const { job } = await makeJob();
    expect((await decide(job.id, 'cancelled', '  ')).status).toBe(400);
    const by = { decision: 'cancelled', reason: 'x' };
    expect((await reviewer.call('POST', `/api/jobs/${job.id}/decisions`, by)).status).toBe(403);
    expect((await technician.call('POST', `/api/jobs/${job.id}/decisions`, by)).status).toBe(403);
  });
});

describe('turning back', () => {
  let said = Date.now();
  const stepAt = (visit: string, kind: string, more: object = {}) => ({
    kind: 'visit event',
    body: {
      ...{
        id: timeOrderedId(++said, randomBytes(16)),
        visit,
        kind,
        by: org.people.technician,
        fix: null,
        distance: null,
      },
      ...{ at: new Date().toISOString(), ...more },
    },
  });

  test('wants a reason; another visit is planned in its place, and the first stays as it was', async () => {
    const { job, visits } = await makeJob();
    const visit = visits[0]?.id ?? '';
    expect(await words(technician, stepAt(visit, 'turned back'))).toEqual([
      expect.stringMatching(/why you turned back/),
    ]);
    const arrived = stepAt(visit, 'arrived');
    const back = stepAt(visit, 'turned back', { reason: 'Nobody there' });
    // Whatever order they come in.
    expect(await words(technician, back, arrived)).toEqual(['received', 'received']);
    expect((await details(job.id)).card.job.state).toBe('turned back');
    const plan = { person: bo, day: TODAY, start: 700, minutes: 30 };
    const planned = await manager.call('PUT', `/api/visits/${visit}/plan`, plan);
    expect(planned).toMatchObject({
      ...{ status: 200, body: { visit: { person: bo, events: [] }, job: { state: 'planned' } } },
    });
    const { card } = await details(job.id);
    expect(card.visits.map(({ person, part, events }) => [person, part, events.length])).toEqual(
      expect.arrayContaining([
        [org.people.technician, 'leads', 2],
        [bo, 'leads', 0],
      ]),
    );
    // The one that counts comes first, whatever day it is for.
    expect(card.visits.map(({ person, insteadOf }) => [person, insteadOf])).toEqual([
      [bo, visit],
      [org.people.technician, null],
    ]);
    expect(await manager.call('PUT', `/api/visits/${visit}/plan`, plan)).toMatchObject({
      ...{ status: 409, body: { code: 'planned-anew' } },
    });
    // What was recorded before turning back is taken in afterwards too.
    expect(await words(technician, asEntry(answer(job.sheet.id)))).toEqual(['received']);
    expect(await words(helper, asEntry(answer(job.sheet.id, bo, 45)))).toEqual(['received']);
  });

  test('two who plan it anew at once plan one visit', async () => {
    const { job, visits } = await makeJob({ day: TODAY });
    const visit = visits[0]?.id ?? '';
    await technician.push(stepAt(visit, 'turned back', { reason: 'Locked' }));
    const plan = { person: bo, day: '2020-01-01', start: 700, minutes: 30 };
    const both = await Promise.all(
      [1, 2].map(() => manager.call('PUT', `/api/visits/${visit}/plan`, plan)),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    const { card } = await details(job.id);
    expect(card.visits.map(({ person }) => person)).toEqual([bo, org.people.technician]);
  });

  test('of whoever leads leaves the job to the office, though a helper is still to come', async () => {
    const { job, visits } = await pair();
    const state = async (): Promise<string> => (await details(job.id)).card.job.state;
    await technician.push(stepAt(visits[0]?.id ?? '', 'turned back', { reason: 'Locked' }));
    expect(await state()).toBe('turned back');
    await helper.push(stepAt(visits[1]?.id ?? '', 'arrived', { by: bo }));
    expect(await state()).toBe('under way');
  });
});
