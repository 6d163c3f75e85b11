import { HoursTableQuery, type HoursTable } from '@ant-trail/contract/timesheet';
import { addDays, daysBetween, inZone, sayMinute, weekdayOf } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { Refusal } from '../../refusals/refusal.ts';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import { hoursOfWeek } from './hours.ts';

type Row = z.infer<typeof HoursTable>['rows'][number];

/** So many days are taken along in one file. */
const MOST_DAYS = 92;

/** Every day of everybody on which something was said or done, week by week. */
async function hoursBetween(
  db: EntityManager,
  { from, to }: z.infer<typeof HoursTableQuery>,
): Promise<z.infer<typeof HoursTable>> {
  if (daysBetween(from, to) < 0 || daysBetween(from, to) >= MOST_DAYS)
    throw new Refusal(
      422,
      'too-long',
      `Choose from one day to another, at most ${MOST_DAYS} days.`,
    );
  const rows: Row[] = [];
  const now = new Date();
  for (let monday = addDays(from, 1 - weekdayOf(from)); monday <= to; monday = addDays(monday, 7))
    for (const { name, days, approved } of await hoursOfWeek(db, monday, now))
      for (const day of days)
        if (day.day >= from && day.day <= to && (day.began !== null || day.visits > 0))
          rows.push({
            ...{ ...day, person: name },
            approved: approved !== null && !approved.changedSince,
          });
  return { rows, next: null, total: rows.length };
}

const hoursOf = (minutes: number): number => Math.round((minutes / 60) * 100) / 100;

/** Hours as they can be taken along, a line for each person and day. */
export const hoursTable = listTable({
  path: '/api/hours/days',
  name: 'Hours',
  allowed: 'plan',
  query: HoursTableQuery,
  titles: [
    ...['Person', 'Day', 'Began', 'Ended', 'Worked, h', 'Breaks, h', 'On site, h', 'On the way, h'],
    ...['Visits', 'Put right', 'Approved'],
  ],
  page: hoursBetween,
  cells: async (db) => {
    const [own] = await db.find(OrganisationRow);
    const time = (at: string | null): string =>
      at === null ? '' : sayMinute(inZone(new Date(at), own?.timeZone ?? 'UTC').minute);
    return (row: Row): Cell[] => [
      ...[row.person, row.day, time(row.began), row.isOpen ? 'no end' : time(row.ended)],
      ...[hoursOf(row.worked), hoursOf(row.breaks), hoursOf(row.onSite), hoursOf(row.onWay)],
      ...[row.visits, row.corrected ? 'yes' : '', row.approved ? 'yes' : ''],
    ];
  },
});
