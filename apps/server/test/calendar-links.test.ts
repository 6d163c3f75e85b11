import type { JobCard } from '@ant-trail/contract/planning';
import ICAL from 'ical.js';
import { inOrganisation } from '../src/database/tenancy.ts';
import { writeCalendar, type VisitShown } from '../src/modules/planning/write-calendar.ts';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
const TODAY = new Date().toISOString().slice(0, 10);

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('calendars'));
});
afterAll(() => office.close());

const read = async (path: string): Promise<{ status: number; text: string; type: string }> => {
  const response = await fetch(office.url + path);
  return {
    ...{ status: response.status, text: await response.text() },
    type: response.headers.get('content-type') ?? '',
  };
};
const make = async (who = technician): Promise<string> =>
  ((await who.call('POST', '/api/me/calendar')).body as { path: string }).path;
const eventsIn = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event));

test('a calendar program reads one’s own visits under a secret address, and nobody else’s', async () => {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: org.template, title: 'Lamp; and, mast', day: TODAY },
    ...{ instructions: 'Bring the ladder\nand rope', windowFrom: null, windowTo: null },
    ...{ start: 510, minutes: 45, person: org.people.technician, recipients: [] },
  });
  const visit = (body as JobCard).visits[0]?.id;
  expect((await technician.call('GET', '/api/me/calendar')).body).toEqual({ since: null });
  const path = await make();
  const { status, text, type } = await read(path);
  expect([status, type]).toEqual([200, 'text/calendar; charset=utf-8']);
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  const found = eventsIn(text).find(({ uid }) => uid === `urn:uuid:${visit}`);
  expect(found?.summary).toBe('Lamp; and, mast, Site of calendars');
  expect(found?.description).toBe('Bring the ladder\nand rope');
  expect(found?.startDate.toJSDate().toISOString()).toContain(TODAY);
  expect(found?.duration.toSeconds()).toBe(45 * 60);
  const others = await read(await make(manager));
  expect(eventsIn(others.text).map(({ uid }) => uid)).not.toContain(`urn:uuid:${visit}`);
});

test('a new address takes the place of the one before; taken back, or with its person gone, none leads anywhere', async () => {
  const first = await make();
  const second = await make();
  expect((await read(first)).status).toBe(404);
  expect((await read(second)).status).toBe(200);
  expect((await technician.call('POST', '/api/me/calendar/removal')).body).toEqual({ since: null });
  expect((await read(second)).status).toBe(404);
  for (const wrong of ['x', '%00', 'a'.repeat(5_000), "' OR 1=1", '..%2F..'])
    expect((await read(`/api/calendars/${encodeURIComponent(wrong)}.ics`)).status).toBe(404);
  const third = await make();
  await inOrganisation(office.data, org.id, async (db) => {
    const rows = await db.query<object[]>(`SELECT * FROM calendar_link`);
    expect(JSON.stringify(rows)).not.toContain(third.slice(-30, -4));
    await db.query(`UPDATE person SET retired = true WHERE id = $1`, [org.people.technician]);
  });
  expect((await read(third)).status).toBe(404);
});

test('through a year of changes of the clock in two zones, ical.js reads the hours that were planned', () => {
  const visitOn = (day: string): VisitShown => ({
    ...{ id: '55555555-5555-4555-8555-555555555555', day, start: 9 * 60, minutes: 60 },
    job: {
      ...{ title: 'Round', instructions: '', state: 'planned' },
      site: { name: 'Quay', address: '', lat: 38.6, lon: -41.3 },
    },
  });
  const days = Array.from({ length: 365 }, (_, at) =>
    new Date(Date.UTC(2031, 0, 1 + at)).toISOString().slice(0, 10),
  );
  for (const timeZone of ['Europe/Berlin', 'America/New_York']) {
    const text = writeCalendar({ title: 'T', timeZone, clock: new Date(0) }, days.map(visitOn));
    const format = new Intl.DateTimeFormat('sv-SE', {
      ...{ timeZone, dateStyle: 'short', timeStyle: 'short' },
    });
    expect(eventsIn(text).map(({ startDate }) => format.format(startDate.toJSDate()))).toEqual(
      days.map((day) => `${day} 09:00`),
    );
  }
});
