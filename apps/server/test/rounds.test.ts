import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { JobDetails, JobsAnswer } from '@ant-trail/contract/planning/desk';
import type { Round, RoundDetails, RoundDraft, RoundsAnswer } from '@ant-trail/contract/rounds';
import { addDays } from '@ant-trail/core/calendar';
import { timeOrderedId } from '@ant-trail/core/log';
import type { z } from 'zod';
import { inOrganisation } from '../src/database/tenancy.ts';
import { DAYS_AHEAD, makeAhead } from '../src/modules/rounds/make-ahead.ts';
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
let manager: Caller;
let technician: Caller;
let reviewer: Caller;
const TODAY = new Date().toISOString().slice(0, 10);

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician, reviewer } = await office.newTeam('rounds'));
});
afterAll(() => office.close());

const place = async (name: string, more: object = {}): Promise<string> => {
  const { body } = await manager.call('POST', '/api/sites', {
    ...{ name, client: '', address: '', lat: 38.6, lon: -41.3, access: '' },
    ...{ hazards: [], contacts: [], ...more },
  });
  return (body as { id: string }).id;
};
const thing = async (name: string): Promise<string> => {
  const { body } = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    ...{ name, kind: 'pump' },
  });
  return (body as { id: string }).id;
};
const stop = (more: object = {}): RoundDraft['stops'][number] => ({
  ...{ site: org.site, asset: null, template: org.template, minutes: 20, ...more },
});
const draft = (more: Partial<RoundDraft> = {}): RoundDraft => ({
  ...{ name: 'Harbour lifts', rule: 'FREQ=DAILY;INTERVAL=5', begins: TODAY },
  ...{ without: [], besides: [], onHolidays: 'as ever', start: 480 },
  ...{ person: org.people.technician, instructions: 'Bring the long key', recipients: [] },
  ...{ reader: null, stops: [stop()], ...more },
});
const add = async (more: Partial<RoundDraft> = {}): Promise<Round> => {
  const { status, body } = await manager.call('POST', '/api/rounds', draft(more));
  expect([status, body]).toEqual([200, expect.anything()]);
  return body as Round;
};
const look = async (id: string): Promise<RoundDetails> =>
  (await manager.call('GET', `/api/rounds/${id}`)).body as RoundDetails;
/** Waits until the queue has done what it was asked for. */
const seen = async (
  id: string,
  isSo: (details: RoundDetails) => boolean,
): Promise<RoundDetails> => {
  for (let tries = 0; tries < 200; tries++) {
    const details = await look(id);
    if (isSo(details)) return details;
    await sleep(50);
  }
  throw new Error(`the round never came to be so: ${JSON.stringify(await look(id))}`);
};
const daysOf = ({ walks }: RoundDetails): string[] => walks.map(({ day }) => day).sort();
const ahead = (id: string, clock = new Date()): Promise<void> =>
  inOrganisation(office.data, org.id, (db) => makeAhead(db, org.id, id, clock));
const change = (id: string, after: number, more: Partial<RoundDraft> = {}) =>
  manager.call('PUT', `/api/rounds/${id}`, { ...draft(more), after });

test('a round is planned ahead by the queue: a visit for each place, a sheet for each stop', async () => {
  const [pump, valve] = [await thing('Pump'), await thing('Valve')];
  const there = await place('Far cistern', { lat: 38.7 });
  const round = await add({
    stops: [stop({ asset: pump }), stop({ asset: valve, minutes: 10 }), stop({ site: there })],
  });
  expect(round.next.map(({ day }) => day).slice(0, 3)).toEqual(
    [0, 5, 10].map((days) => addDays(TODAY, days)),
  );
  const details = await seen(round.id, ({ walks }) => walks.length === 3);
  const first = details.walks.find(({ day }) => day === TODAY);
  expect(first).toMatchObject({ standing: 'today', troubles: [], due: TODAY });
  expect(first?.jobs.map(({ siteName, state }) => [siteName, state])).toEqual([
    [expect.any(String), 'planned'],
    ['Far cistern', 'planned'],
  ]);
  const { body } = await manager.call('GET', `/api/jobs/${first?.jobs[0]?.id}`);
  const { card } = body as { card: z.infer<typeof JobsAnswer>['rows'][number] };
  expect(card.job.sheets.map(({ asset }) => asset)).toEqual([pump, valve]);
  expect(card.job.round).toEqual({ id: round.id, name: 'Harbour lifts', walk: first?.id });
  expect(card.visits[0]).toMatchObject({ start: 480, minutes: 30, person: org.people.technician });
  // It is on the phone of whoever walks it.
  const jobs = (await pull(technician)).of('job');
  expect(jobs.some((job) => job.round?.walk === first?.id)).toBe(true);
});

test('a stop is left out with a reason: the others count, and planned anew it is to be done', async () => {
  const [one, two] = [await thing('Pump 7'), await thing('Pump 8')];
  const round = await add({
    ...{ rule: 'FREQ=DAILY;COUNT=1', stops: [stop({ asset: one }), stop({ asset: two })] },
  });
  const { walks } = await seen(round.id, (details) => details.walks.length === 1);
  const job = walks[0]?.jobs[0]?.id ?? '';
  const details = async (): Promise<JobDetails> =>
    (await manager.call('GET', `/api/jobs/${job}`)).body as JobDetails;
  const [first, second] = (await details()).card.job.sheets.map(({ id }) => id);
  const leaveOut = (sheet: string | undefined, more: object = {}) => ({
    kind: 'sheet left out',
    body: {
      ...{ id: timeOrderedId(Date.now(), randomBytes(16)), job, sheet, reason: 'Locked' },
      ...{ by: org.people.technician, at: new Date().toISOString(), ...more },
    },
  });
  const said = leaveOut(first);
  expect((await technician.push(said))[0]?.outcome).toBe('received');
  expect((await technician.push(said))[0]?.outcome).toBe('already had');
  const left = (await details()).card.job;
  expect(left.sheets[0]?.leftOut).toMatchObject({ reason: 'Locked', by: org.people.technician });
  expect(left.state).toBe('planned');
  expect((await look(round.id)).walks[0]?.jobs[0]?.leftOut).toBe(1);
  const onPhone = (await pull(technician)).of('job').find(({ id }) => id === job);
  expect(onPhone?.sheets[0]?.leftOut?.reason).toBe('Locked');
  // Without a reason, in another's name, by somebody who is not at the job, of a sheet that is not there.
  const refused = [
    leaveOut(second, { reason: ' ' }),
    leaveOut(second, { by: org.people.manager }),
    leaveOut(org.sheet),
  ];
  for (const each of refused) expect((await technician.push(each))[0]?.outcome).toBe('refused');
  const stranger = leaveOut(second, { by: org.people.reviewer });
  expect((await reviewer.push(stranger))[0]?.outcome).toBe('refused');
  // All of it left out: nothing was done, and the office plans it anew.
  await technician.push(leaveOut(second));
  const undone = (await details()).card;
  expect(undone.job.state).toBe('turned back');
  const anew = { person: org.people.technician, day: addDays(TODAY, 1), start: 600, minutes: 20 };
  await manager.call('PUT', `/api/visits/${undone.visits[0]?.id}/plan`, anew);
  const again = (await details()).card.job;
  expect([again.state, again.sheets[0]?.leftOut]).toEqual(['planned', null]);
});

test('phones keep the rounds there are, with their days, and hear of those that are retired', async () => {
  const { id } = await add({ name: 'Far lifts', rule: 'FREQ=DAILY;INTERVAL=3' });
  await seen(id, ({ walks }) => walks.length === 5);
  const filled = await pull(technician);
  expect(filled.of('round').find((round) => round.id === id)).toMatchObject({
    ...{ name: 'Far lifts', person: org.people.technician, retired: false },
    days: expect.arrayContaining([TODAY, addDays(TODAY, 3)]) as unknown,
  });
  await manager.call('POST', `/api/rounds/${id}/retirement`, { retired: true });
  const later = await pull(technician, filled.cursor, filled.through);
  expect(later.of('round').find((round) => round.id === id)).toMatchObject({
    ...{ retired: true, days: [] },
  });
});

test('made twice, or by two at once, nothing is there twice', async () => {
  const { id } = await add({ rule: 'FREQ=DAILY' });
  await Promise.all([ahead(id), ahead(id), ahead(id)]);
  await ahead(id);
  const details = await look(id);
  expect(details.walks).toHaveLength(DAYS_AHEAD + 1);
  expect(details.walks.every(({ jobs }) => jobs.length === 1)).toBe(true);
});

test('what fails in the middle leaves nothing behind, and the next try makes it whole', async () => {
  const { id } = await add({ rule: 'FREQ=DAILY;INTERVAL=7' });
  await seen(id, ({ walks }) => walks.length === 3);
  const far = new Date(Date.now() + 30 * 86_400_000);
  const killed = inOrganisation(office.data, org.id, async (db) => {
    await makeAhead(db, org.id, id, far);
    throw new Error('the server was killed');
  });
  await expect(killed).rejects.toThrow('killed');
  expect((await look(id)).walks).toHaveLength(3);
  await ahead(id, far);
  expect((await look(id)).walks.length).toBeGreaterThan(4);
});

test('changed, what nobody has begun is as the round is now; what was begun stays', async () => {
  const { id } = await add({ rule: 'FREQ=DAILY;INTERVAL=4', stops: [stop({ asset: null })] });
  const before = await seen(id, ({ walks }) => walks.length === 4);
  const today = before.walks.find(({ day }) => day === TODAY);
  const begun = today?.jobs[0]?.id;
  const { body } = await manager.call('GET', `/api/jobs/${begun}`);
  const { card } = body as { card: z.infer<typeof JobsAnswer>['rows'][number] };
  await technician.push(
    asEntry(entryOf(org, { sheet: card.job.sheet.id, path: 'temp', value: 40 })),
  );
  expect((await change(id, 7)).status).toBe(409);
  // Other hours and another person: the same jobs.
  const other = { rule: 'FREQ=DAILY;INTERVAL=4', start: 600, person: null, name: 'Lifts' };
  expect((await change(id, 1, other)).status).toBe(200);
  const adapted = await seen(id, ({ walks }) =>
    walks.some(({ jobs }) => jobs.some(({ person }) => person === null)),
  );
  expect(daysOf(adapted)).toEqual(daysOf(before));
  const jobsOf = ({ walks }: RoundDetails): string[] =>
    walks.flatMap(({ jobs }) => jobs.map((job) => job.id)).sort();
  expect(jobsOf(adapted)).toEqual(jobsOf(before));
  expect(adapted.walks.find(({ day }) => day === TODAY)?.jobs[0]?.person).toBe(
    org.people.technician,
  );
  // Other days: what was planned is called off, what was begun is not.
  expect((await change(id, 2, { ...other, rule: 'FREQ=DAILY;INTERVAL=3' })).status).toBe(200);
  const moved = await seen(id, (now) => daysOf(now)[1] === addDays(TODAY, 3));
  expect(daysOf(moved)).toEqual([0, 3, 6, 9, 12].map((days) => addDays(TODAY, days)));
  expect(moved.walks.find(({ day }) => day === TODAY)?.jobs[0]?.id).toBe(begun);
  // Retired: nothing lies ahead any more.
  const retired = await manager.call('POST', `/api/rounds/${id}/retirement`, { retired: true });
  expect(retired.body).toMatchObject({ retired: true, next: [] });
  await seen(id, ({ walks }) => walks.length === 1);
});

test('what somebody planned otherwise by hand, or called off, stays so when the round is changed', async () => {
  const there = await place('Near cistern');
  const stops = [stop(), stop({ site: there })];
  const { id } = await add({ rule: 'FREQ=DAILY;INTERVAL=20', stops });
  const before = await seen(id, ({ walks }) => walks[0]?.jobs.length === 2);
  const [moved, called] = (before.walks[0]?.jobs ?? []).map((job) => job.id);
  const { body } = await manager.call('GET', `/api/jobs/${moved}`);
  const visit = (body as JobDetails).card.visits[0];
  const byHand = { person: org.people.manager, day: TODAY, start: 900, minutes: 35 };
  await manager.call('PUT', `/api/visits/${visit?.id}/plan`, byHand);
  const off = { decision: 'cancelled', reason: 'Closed today' };
  await manager.call('POST', `/api/jobs/${called}/decisions`, off);
  const other = { rule: 'FREQ=DAILY;INTERVAL=20', stops, start: 600, name: 'Lifts, anew' };
  expect((await change(id, 1, other)).status).toBe(200);
  await seen(id, ({ round }) => round.name === 'Lifts, anew');
  for (let tries = 0; tries < 100; tries++) {
    const { card } = (await manager.call('GET', `/api/jobs/${moved}`)).body as JobDetails;
    if (card.job.title === 'Lifts, anew') break;
    await sleep(50);
  }
  const { card } = (await manager.call('GET', `/api/jobs/${moved}`)).body as JobDetails;
  expect(card.job.title).toBe('Lifts, anew');
  expect(card.visits[0]).toMatchObject(byHand);
  const after = await look(id);
  expect(after.walks[0]?.jobs.map(({ id: job, state }) => [job, state]).sort()).toEqual(
    [
      [moved, 'planned'],
      [called, 'cancelled'],
    ].sort(),
  );
});

test('holidays move what is not begun, and writing them has all rounds looked at', async () => {
  const soon = addDays(TODAY, 7);
  const { id } = await add({
    ...{ rule: 'FREQ=DAILY;INTERVAL=7', onHolidays: 'left out' },
  });
  await seen(id, ({ walks }) => walks.length === 3);
  const put = (holidays: object[]) => manager.call('PUT', '/api/holidays', { holidays });
  expect((await put([{ day: soon, name: 'Quay day' }])).status).toBe(200);
  const without = await seen(id, ({ walks }) => walks.length === 2);
  expect(daysOf(without)).not.toContain(soon);
  expect((await put([])).status).toBe(200);
  await seen(id, ({ walks }) => walks.length === 3);
  expect((await put([{ day: 'tomorrow', name: 'x' }])).status).toBe(400);
});

test('a stop that can’t be planned is named, and holds up none of the others', async () => {
  const gone = await place('Old mill');
  const round = await add({
    rule: 'FREQ=DAILY;INTERVAL=20',
    stops: [stop(), stop({ site: gone })],
  });
  await seen(round.id, ({ walks }) => walks[0]?.jobs.length === 2);
  const put = await manager.call('PUT', `/api/sites/${gone}/retired`, { retired: true });
  expect(put.status).toBe(200);
  await change(round.id, 1, {
    rule: 'FREQ=DAILY;INTERVAL=20',
    stops: [stop({ site: gone }), stop()],
  });
  const details = await seen(round.id, ({ walks }) => (walks[0]?.troubles.length ?? 0) > 0);
  expect(details.walks[0]?.troubles[0]).toContain('Old mill is retired');
  expect(details.walks[0]?.jobs).toHaveLength(1);
});

test('one whose days are over with nobody there is missed', async () => {
  const { id } = await add({ rule: 'FREQ=DAILY;COUNT=1', begins: addDays(TODAY, -3) });
  await ahead(id, new Date(Date.now() - 3 * 86_400_000));
  const { walks } = await look(id);
  expect(walks).toMatchObject([{ day: addDays(TODAY, -3), standing: 'missed' }]);
  const { body } = await manager.call('GET', '/api/rounds');
  const line = (body as z.infer<typeof RoundsAnswer>).rows.find((row) => row.id === id);
  expect(line).toMatchObject({ next: null, last: { standing: 'missed' }, stops: 1 });
});

test('a day begins by the clock of where the organisation works, on the days the clock changes too', async () => {
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE organisation SET time_zone = 'Europe/Berlin'`),
  );
  // A quarter of an hour before and after midnight there; two hours from UTC, and one.
  const first = async (clock: string): Promise<string | undefined> => {
    const { id } = await add({ rule: 'FREQ=DAILY', begins: '2031-01-01' });
    await ahead(id, new Date(clock));
    return daysOf(await look(id)).filter((day) => day >= '2031-01-01')[0];
  };
  expect(await first('2031-10-25T21:45:00Z')).toBe('2031-10-25');
  expect(await first('2031-10-25T22:15:00Z')).toBe('2031-10-26');
  expect(await first('2031-10-26T22:45:00Z')).toBe('2031-10-26');
  expect(await first('2031-10-26T23:15:00Z')).toBe('2031-10-27');
});

test('rounds are taken along as a table', async () => {
  const { id } = await add({ name: 'Table of lifts', rule: 'FREQ=WEEKLY;BYDAY=TU' });
  const { status, body } = await manager.call('GET', '/api/rounds.csv?text=table');
  expect(status).toBe(200);
  expect(String(body)).toContain('every Tuesday');
  expect(String(body)).toContain(id);
});

test('wrong input is named; who may not plan may look', async () => {
  const tries: [Partial<Record<keyof RoundDraft, unknown>>, number][] = [
    [{ rule: 'FREQ=HOURLY' }, 400],
    [{ rule: 'FREQ=DAILY;BYMONTH=13' }, 400],
    [{ stops: [] }, 400],
    [{ name: ' ' }, 400],
    [{ begins: '2031-02-30' }, 400],
    [{ stops: [stop({ asset: org.site })] }, 422],
    [{ stops: [stop({ template: org.site })] }, 404],
    [{ reader: org.people.technician }, 409],
  ];
  for (const [more, status] of tries)
    expect((await manager.call('POST', '/api/rounds', { ...draft(), ...more })).status).toBe(
      status,
    );
  expect((await reviewer.call('POST', '/api/rounds', draft())).status).toBe(403);
  expect((await technician.call('GET', '/api/rounds')).status).toBe(403);
  expect((await reviewer.call('GET', '/api/rounds')).status).toBe(200);
});
