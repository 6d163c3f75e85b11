import type { PersonHours } from '@ant-trail/contract/timesheet';
import { weekdayOf } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { HoursApprovalRow } from './entities.ts';
import { hoursOfWeek } from './hours.ts';

export function mustBeMonday(monday: string): void {
  if (weekdayOf(monday) !== 1)
    throw new Refusal(422, 'no-monday', 'Weeks begin on Monday: choose one.');
}

/** Approves a week of somebody as it was looked at; refused where it changed meanwhile. */
export async function approveHours(
  db: EntityManager,
  { organisation, person: by }: Session,
  asked: { readonly person: string; readonly monday: string; readonly mark: string },
): Promise<PersonHours> {
  const { person, monday, mark } = asked;
  mustBeMonday(monday);
  await db.query(`SELECT 1 FROM person WHERE id = $1 FOR UPDATE`, [person]);
  const [week] = await hoursOfWeek(db, monday, new Date(), person);
  if (!week) throw notFound('This person');
  if (person === by)
    throw new Refusal(409, 'own-hours', 'Nobody approves their own hours: ask somebody else.');
  if (week.mark !== mark)
    throw new Refusal(
      409,
      'changed-meanwhile',
      'Something of this week changed meanwhile. Look at it again before you approve it.',
    );
  if (week.days.some(({ isOpen }) => isOpen))
    throw new Refusal(409, 'still-open', 'A day of this week has no end yet. Put it right first.');
  await db.query(
    `INSERT INTO hours_approval (org_id, person_id, monday, minutes, mark, by)
     VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT (org_id, person_id, monday)
     DO UPDATE SET minutes = excluded.minutes, mark = excluded.mark, by = excluded.by, at = now()`,
    [organisation, person, monday, week.worked, mark, by],
  );
  await announce(db, organisation, [{ kind: 'hours', ref: person }]);
  return weekOf(db, monday, person);
}

/** Takes an approval back. */
export async function takeApprovalBack(
  db: EntityManager,
  { organisation }: Session,
  { person, monday }: { readonly person: string; readonly monday: string },
): Promise<PersonHours> {
  await db.delete(HoursApprovalRow, { person, monday });
  await announce(db, organisation, [{ kind: 'hours', ref: person }]);
  return weekOf(db, monday, person);
}

async function weekOf(db: EntityManager, monday: string, person: string): Promise<PersonHours> {
  const [week] = await hoursOfWeek(db, monday, new Date(), person);
  if (!week) throw notFound('This person');
  return week;
}
