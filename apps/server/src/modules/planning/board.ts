import {
  MOST_STOPS,
  type BoardAnswer,
  type BoardPeople,
  type BoardStop,
  type CalendarAnswer,
} from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { addDays } from '@ant-trail/core/calendar';
import type { Place } from '@ant-trail/core/geo';
import { holdsOf } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';

type Line = BoardStop & { readonly at: Place };

/** All visits of some days as the board shows them, in the order of days and hours. */
export async function boardOf(
  db: EntityManager,
  from: string,
  days: number,
): Promise<Omit<z.infer<typeof BoardAnswer>, 'stops'> & { readonly stops: Line[] }> {
  const stops = await db.query<Line[]>(
    `SELECT json_build_object('id', j.id, 'title', j.title, 'state', j.state,
              'windowFrom', j.window_from, 'windowTo', j.window_to,
              'takes', j.takes, 'round', j.round ->> 'name') AS job,
            json_build_object('id', v.id, 'job', v.job_id, 'person', v.person_id,
              'day', v.day, 'start', v.start, 'minutes', v.minutes, 'part', v.part,
              'events', COALESCE(e.events, '[]'::json)) AS visit,
            s.id AS site, s.name AS "siteName",
            json_build_object('lat', s.lat, 'lon', s.lon) AS at
     FROM visit v JOIN job j ON j.id = v.job_id JOIN site s ON s.id = j.site_id
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('id', x.id, 'kind', x.body ->> 'kind', 'at', x.body ->> 'at')
                       ORDER BY x.id) AS events
       FROM visit_event x WHERE x.visit_id = v.id
     ) e ON true
     WHERE v.day BETWEEN $1 AND $2
     ORDER BY v.day, v.start, v.id LIMIT $3`,
    [from, addDays(from, days - 1), MOST_STOPS + 1],
  );
  if (stops.length > MOST_STOPS)
    throw new Refusal(
      422,
      'too-many',
      `There are more than ${MOST_STOPS} visits in these days. Look at fewer of them at once.`,
    );
  return { from, days, stops };
}

/** When everybody with a trail is there. */
export async function boardPeople(db: EntityManager): Promise<z.infer<typeof BoardPeople>> {
  const rows = await db.find(PersonRow, {
    where: { retired: false },
    order: { name: 'ASC', id: 'ASC' },
  });
  return {
    people: rows
      .filter(({ roles }) => may(roles, 'walk'))
      .map(({ id, hours, absences, vehicle }) => ({
        id,
        hours: hours.map(({ weekday, from, to }) => ({ weekday, from, to })),
        absences: absences.map(({ from, to, why }) => ({ from, to, why })),
        holds: holdsOf(vehicle),
      })),
  };
}

/** Among so many places all ways are looked for; among more, those that are planned. */
const MOST_PLACES = 80;

export interface WaysAsked {
  readonly sites: readonly string[];
  readonly places: readonly Place[];
  /** Which to which, by their numbers; null for all. */
  readonly pairs: readonly (readonly [number, number])[] | null;
}

/** From where to where people go on a day, or may be sent. */
export async function waysOfDay(db: EntityManager, day: string): Promise<WaysAsked> {
  const { stops } = await boardOf(db, day, 1);
  const places = new Map(stops.map(({ site, at }) => [site, at]));
  const sites = [...places.keys()];
  const known = { sites, places: [...places.values()] };
  if (sites.length <= MOST_PLACES) return { ...known, pairs: null };
  const numbers = new Map(sites.map((site, at) => [site, at]));
  const last = new Map<string, Line>();
  const pairs = new Map<string, readonly [number, number]>();
  for (const stop of stops) {
    const { person } = stop.visit;
    if (person === null) continue;
    const [from, to] = [numbers.get(last.get(person)?.site ?? ''), numbers.get(stop.site)];
    last.set(person, stop);
    if (from !== undefined && to !== undefined && from !== to)
      pairs.set(`${from} ${to}`, [from, to]);
  }
  return { ...known, pairs: [...pairs.values()] };
}

/** What each of some days comes to. */
export async function calendarOf(
  db: EntityManager,
  from: string,
  days: number,
): Promise<z.infer<typeof CalendarAnswer>> {
  return {
    days: await db.query(
      `SELECT v.day::text AS day, count(*)::int AS stops,
              count(*) FILTER (WHERE j.state IN ('in review', 'approved'))::int AS done,
              count(*) FILTER (WHERE v.person_id IS NULL)::int AS "withoutPerson",
              count(DISTINCT v.person_id)::int AS people, sum(v.minutes)::int AS minutes
       FROM visit v JOIN job j ON j.id = v.job_id
       WHERE v.day BETWEEN $1 AND $2 AND j.state <> 'cancelled'
       GROUP BY v.day ORDER BY v.day`,
      [from, addDays(from, days - 1)],
    ),
  };
}
