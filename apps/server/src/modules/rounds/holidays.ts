import type { Holiday } from '@ant-trail/contract/rounds';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { HolidayRow } from './entities.ts';

export async function allHolidays(db: EntityManager): Promise<Holiday[]> {
  const rows = await db.find(HolidayRow, { order: { day: 'ASC' } });
  return rows.map(({ day, name }) => ({ day, name }));
}

/** Takes the place of all holidays there were. */
export async function writeHolidays(
  db: EntityManager,
  org: string,
  holidays: readonly Holiday[],
): Promise<Holiday[]> {
  await db.delete(HolidayRow, { org });
  const each = new Map(holidays.map((holiday) => [holiday.day, holiday]));
  await db.insert(
    HolidayRow,
    [...each.values()].map((holiday) => ({ ...holiday, org })),
  );
  await announce(db, org, [{ kind: 'round', ref: org, reach: null }]);
  return allHolidays(db);
}
