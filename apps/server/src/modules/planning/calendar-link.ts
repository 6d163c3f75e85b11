import { createHash, randomBytes } from 'node:crypto';
import type { CalendarLink, CalendarLinkMade } from '@ant-trail/contract/planning/calendar';
import { addDays, inZone } from '@ant-trail/core/calendar';
import type { Express } from 'express';
import { Between, type DataSource, type EntityManager } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import type { Session } from '../../http/session.ts';
import { notFound } from '../../refusals/refusal.ts';
import { OrganisationRow, PersonRow } from '../accounts/entities.ts';
import { VisitRow } from './entities.ts';
import { writeCalendar } from './write-calendar.ts';

const PLACE = '/api/calendars';
const SECRET_BYTES = 24;
/** A calendar shows so many days back and ahead. */
const DAYS_BACK = 30;
const DAYS_AHEAD = 180;

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Whether somebody's own visits can be read by a calendar program. */
export async function calendarLink(db: EntityManager, { person }: Session): Promise<CalendarLink> {
  const [row] = await db.query<{ since: Date }[]>(
    `SELECT since FROM calendar_link WHERE person_id = $1`,
    [person],
  );
  return { since: row?.since.toISOString() ?? null };
}

/** Makes a new link; the one before leads nowhere any more. */
export async function makeCalendarLink(
  db: EntityManager,
  { organisation, person }: Session,
): Promise<CalendarLinkMade> {
  const secret = randomBytes(SECRET_BYTES).toString('base64url');
  const [row] = await db.query<{ since: Date }[]>(
    `INSERT INTO calendar_link (org_id, person_id, token_hash) VALUES ($1, $2, $3)
     ON CONFLICT (org_id, person_id) DO UPDATE SET token_hash = $3, since = now() RETURNING since`,
    [organisation, person, hashOf(secret)],
  );
  if (!row) throw new Error('the link was not kept');
  return { since: row.since.toISOString(), path: `${PLACE}/${secret}.ics` };
}

export async function dropCalendarLink(
  db: EntityManager,
  { person }: Session,
): Promise<CalendarLink> {
  await db.query(`DELETE FROM calendar_link WHERE person_id = $1`, [person]);
  return { since: null };
}

/** Calendar programs sign in nowhere: they know the secret in the link. */
export function mountCalendars(app: Express, data: DataSource): void {
  app.get(`${PLACE}/:secret.ics`, async (request, response) => {
    const [found] = await data.query<{ org_id: string; person_id: string }[]>(
      `SELECT * FROM find_calendar($1)`,
      [hashOf(String(request.params['secret']))],
    );
    if (!found) throw notFound('This calendar');
    const text = await inOrganisation(data, found.org_id, (db) =>
      calendarOf(db, found.org_id, found.person_id, new Date()),
    );
    response
      .set('Cache-Control', 'private, no-store')
      .type('text/calendar; charset=utf-8')
      .send(text);
  });
}

async function calendarOf(
  db: EntityManager,
  organisation: string,
  person: string,
  clock: Date,
): Promise<string> {
  const { timeZone, name } = await db.findOneByOrFail(OrganisationRow, { id: organisation });
  const { name: who } = await db.findOneByOrFail(PersonRow, { id: person });
  const today = inZone(clock, timeZone).day;
  const visits = await db.find(VisitRow, {
    where: { person, day: Between(addDays(today, -DAYS_BACK), addDays(today, DAYS_AHEAD)) },
    relations: { job: { site: true } },
    order: { day: 'ASC', start: 'ASC', id: 'ASC' },
  });
  return writeCalendar({ title: `${who}, ${name}`, timeZone, clock }, visits);
}
