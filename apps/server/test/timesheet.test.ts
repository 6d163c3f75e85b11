import type {
  DayOfPerson,
  HoursAnswer,
  OwnClock,
  PersonHours,
} from '@ant-trail/contract/timesheet';
import type { z } from 'zod';
import { freshId } from './support/fresh-id.ts';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';

const MONDAY = '2026-11-09';
const DAY = '2026-11-10';
const at = (time: string, day = DAY): string => `${day}T${time}:00Z`;
let office: Office;
let team: Team;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`hours${++count}`);
  ({ manager } = team);
});

const said = (step: string | null, time: string, more: object = {}) => ({
  ...{ id: freshId(), person: team.org.people.technician, day: DAY, step, at: at(time) },
  ...{ insteadOf: null, reason: null, by: team.org.people.technician, saidAt: at(time) },
  ...more,
});
const push = async (...bodies: object[]) =>
  (await team.technician.push(...bodies.map((body) => ({ kind: 'clock', body })))).map(
    ({ outcome, reason }) => (reason === undefined ? outcome : `${outcome}: ${reason}`),
  );

async function week(): Promise<PersonHours> {
  const { status, body } = await manager.call('GET', `/api/hours?monday=${MONDAY}`);
  expect(status).toBe(200);
  const own = (body as z.infer<typeof HoursAnswer>).people.find(
    ({ person }) => person === team.org.people.technician,
  );
  if (!own) throw new Error('nobody');
  return own;
}

const approve = async (mark: string, who = manager) =>
  who.call('POST', '/api/hours/approvals', {
    ...{ person: team.org.people.technician, monday: MONDAY, mark },
  });

test('a day that was said comes to its hours, the same twice is had already', async () => {
  const began = said('began', '07:00');
  const day = [began, said('break', '12:00'), said('back', '12:30'), said('ended', '16:00')];
  expect(await push(...day)).toEqual(['received', 'received', 'received', 'received']);
  expect(await push(began)).toEqual(['already had']);
  expect((await push({ ...began, at: at('06:00') }))[0]).toContain('something else');
  const own = await week();
  expect(own.worked).toBe(8 * 60 + 30);
  expect(own.days[1]).toMatchObject({
    ...{ began: at('07:00'), ended: at('16:00'), worked: 510, breaks: 30, isOpen: false },
    ...{ isOdd: false, corrected: false },
  });
});

test('what can’t be is refused in words, and holds up nothing else', async () => {
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString();
  const [ahead, elsewhere, anothers, right] = await push(
    said('began', '07:00', { at: tomorrow, day: tomorrow.slice(0, 10) }),
    said('began', '07:00', { day: '2026-11-01' }),
    said('began', '07:00', { person: team.org.people.reviewer }),
    said('began', '07:00'),
  );
  expect(ahead).toContain('has not come yet');
  expect(elsewhere).toContain('does not lie on the day');
  expect(anothers).toContain('another person’s name');
  expect(right).toBe('received');
  const odd = await team.technician.push({
    kind: 'clock',
    body: said('ended', '16:00', { insteadOf: freshId() }),
  });
  expect(odd[0]?.outcome).toBe('refused');
});

test('a shift past midnight stays with the day it began', async () => {
  const next = '2026-11-11';
  await push(said('began', '22:00'), said('ended', '05:00', { at: at('05:00', next) }));
  expect((await week()).days.map(({ worked }) => worked)).toEqual([0, 420, 0, 0, 0, 0, 0]);
});

test('the office puts a day right with a reason; the phone is told of it', async () => {
  const { manager: boss, technician } = team.org.people;
  const began = said('began', '07:00');
  await push(began, said('ended', '16:00'));
  const right = said('began', '06:30', { insteadOf: began.id, by: boss });
  expect((await manager.call('POST', '/api/hours/entries', right)).status).toBe(400);
  const why = { ...right, reason: 'Loaded the van first' };
  const { status, body } = await manager.call('POST', '/api/hours/entries', why);
  expect(status).toBe(200);
  expect((body as DayOfPerson).entries).toHaveLength(3);
  expect((await week()).days[1]).toMatchObject({ worked: 570, corrected: true });
  const own = await team.technician.call('GET', `/api/me/clock?from=${MONDAY}`);
  expect((own.body as z.infer<typeof OwnClock>).entries.map(({ id }) => id)).toContain(why.id);
  const asThem = await manager.call('POST', '/api/hours/entries', { ...why, by: technician });
  expect(asThem.status).toBe(403);
  expect((await team.technician.call('POST', '/api/hours/entries', why)).status).toBe(403);
});

test('time at a visit counts by itself, and can be put right', async () => {
  const { technician } = team.org.people;
  const { body: made } = await manager.call('POST', '/api/jobs', {
    ...{ site: team.org.site, template: team.org.template, title: 'Job', instructions: '' },
    ...{ day: DAY, windowFrom: null, windowTo: null, start: 480, minutes: 60, person: technician },
    recipients: [],
  });
  const visit = (made as { visits: { id: string }[] }).visits[0]?.id ?? '';
  const event = (kind: string, time: string) => ({
    kind: 'visit event',
    body: {
      ...{ id: freshId(), visit, kind, by: technician, at: at(time), fix: null, distance: null },
    },
  });
  await team.technician.push(
    ...[event('set off', '08:00'), event('arrived', '08:20'), event('left', '09:00')],
  );
  expect((await week()).days[1]).toMatchObject({ onSite: 40, onWay: 20, visits: 1 });
  const [word] = await team.technician.push({
    kind: 'site time',
    body: {
      ...{ id: freshId(), visit, from: at('08:20'), to: at('10:00'), reason: 'Left later' },
      ...{ by: technician, saidAt: at('10:00') },
    },
  });
  expect(word?.outcome).toBe('received');
  expect((await week()).days[1]).toMatchObject({ onSite: 100, corrected: true });
  const day = await manager.call('GET', `/api/hours/${technician}/${DAY}`);
  expect((day.body as DayOfPerson).visits).toMatchObject([
    { visit, from: at('08:20'), to: at('10:00'), onSite: 100, reason: 'Left later' },
  ]);
});

test('a week is approved as it was looked at, is known as changed afterwards, and is taken back', async () => {
  await push(said('began', '07:00'));
  const open = await week();
  // Nobody said the end: nothing counts until somebody does.
  expect(open.days[1]).toMatchObject({ worked: 0, isOpen: true, isForgotten: true });
  expect(await approve(open.mark)).toMatchObject({ status: 409, body: { code: 'still-open' } });
  await push(said('ended', '16:00'));
  expect(await approve(open.mark)).toMatchObject({
    ...{ status: 409, body: { code: 'changed-meanwhile' } },
  });
  const { mark } = await week();
  expect((await approve(mark, team.technician)).status).toBe(403);
  const both = await Promise.all([approve(mark), approve(mark)]);
  expect(both.map(({ status }) => status)).toEqual([200, 200]);
  expect((await week()).approved).toMatchObject({ minutes: 540, changedSince: false });
  const own = await team.technician.call('GET', `/api/me/clock?from=${MONDAY}`);
  expect((own.body as z.infer<typeof OwnClock>).approved).toEqual([MONDAY]);
  // Said late, by a phone that was long without a network: nothing is lost, and the office sees it.
  await push(said('began', '18:00'), said('ended', '19:00'));
  expect((await week()).approved).toMatchObject({ minutes: 540, changedSince: true });
  await manager.call('POST', '/api/hours/approvals/removal', {
    ...{ person: team.org.people.technician, monday: MONDAY },
  });
  expect((await week()).approved).toBeNull();
});

test('nobody approves their own hours, and weeks begin on Monday', async () => {
  const { mark } = await week();
  const own = { person: team.org.people.manager, monday: MONDAY, mark };
  expect((await manager.call('POST', '/api/hours/approvals', own)).status).toBe(404);
  await manager.call('POST', '/api/hours/entries', {
    ...said('began', '07:00', { person: own.person, by: own.person, reason: 'Helped out' }),
  });
  expect(await manager.call('POST', '/api/hours/approvals', own)).toMatchObject({
    ...{ status: 409, body: { code: 'own-hours' } },
  });
  expect((await manager.call('GET', `/api/hours?monday=${DAY}`)).status).toBe(422);
});

test('hours are taken along as a table', async () => {
  await push(said('began', '07:00'), said('break', '12:00'), said('back', '12:30'));
  await push(said('ended', '16:00'));
  const { status, body } = await manager.call(
    ...(['GET', `/api/hours/days.csv?from=${MONDAY}&to=2026-11-15`] as const),
  );
  expect(status).toBe(200);
  expect(String(body)).toContain('07:00');
  expect(String(body)).toContain('8.5');
  const long = await manager.call('GET', `/api/hours/days.csv?from=2026-01-01&to=2026-11-15`);
  expect(long.status).toBe(422);
});
