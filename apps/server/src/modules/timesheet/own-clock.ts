import type { OwnClock } from '@ant-trail/contract/timesheet';
import { In, MoreThanOrEqual, type EntityManager } from 'typeorm';
import type { z } from 'zod';
import type { Session } from '../../http/session.ts';
import { VisitRow } from '../planning/entities.ts';
import { ClockEntryRow, HoursApprovalRow, SiteTimeRow } from './entities.ts';
import { hoursOfWeek } from './hours.ts';

/** What the office has of one's own days, corrections of the office included. */
export async function ownClock(
  db: EntityManager,
  { person }: Session,
  from: string,
): Promise<z.infer<typeof OwnClock>> {
  const rows = await db.findBy(ClockEntryRow, { person, day: MoreThanOrEqual(from) });
  const visits = await db.find(VisitRow, {
    select: { id: true },
    where: { person, day: MoreThanOrEqual(from) },
  });
  const times = await db.findBy(SiteTimeRow, { visit: In(visits.map(({ id }) => id)) });
  const approvals = await db.findBy(HoursApprovalRow, { person, monday: MoreThanOrEqual(from) });
  const approved: string[] = [];
  for (const { monday } of approvals) {
    const [week] = await hoursOfWeek(db, monday, new Date(), person);
    if (week?.approved && !week.approved.changedSince) approved.push(monday);
  }
  return {
    entries: rows.map(({ body }) => body),
    siteTimes: times.map(({ body }) => body),
    approved,
  };
}
