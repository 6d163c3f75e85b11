import { ClockSaid, SiteTimeSaid } from '@ant-trail/contract/timesheet';
import { addDays, inZone } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadAsSaid,
} from '../../phones/operation.ts';
import { OrganisationRow, PersonRow } from '../accounts/entities.ts';
import { VisitRow } from '../planning/entities.ts';
import { ClockEntryRow, SiteTimeRow } from './entities.ts';

/** A phone's clock may be so far before the office's. */
const AHEAD_MS = 10 * 60_000;

/** What people say of their own working days. */
export const clockTaker: OperationTaker<ClockSaid> = {
  kind: 'clock',
  schema: ClockSaid,
  take: oneByOne(async (db, session, said) =>
    said.by !== session.person || said.person !== session.person
      ? { refused: ANOTHERS_NAME }
      : takeClock(db, session, said),
  ),
};

/** What people put right of their own time at visits. */
export const siteTimeTaker: OperationTaker<SiteTimeSaid> = {
  kind: 'site time',
  schema: SiteTimeSaid,
  take: oneByOne(async (db, session, said) => {
    if (said.by !== session.person) return { refused: ANOTHERS_NAME };
    const visit = await db.findOneBy(VisitRow, { id: said.visit, person: session.person });
    return visit
      ? takeSiteTime(db, session, said)
      : { refused: 'This visit is not here, or not yours any more.' };
  }),
};

/** Keeps something said of a working day; the same twice is had already. */
export async function takeClock(
  db: EntityManager,
  { organisation }: Session,
  said: ClockSaid,
): Promise<Word> {
  const known = await db.findOneBy(ClockEntryRow, { id: said.id });
  if (known) return hadAsSaid(known.body, said);
  const own = await db.findOneByOrFail(OrganisationRow, { id: organisation });
  const problem = problemWith(said, own.timeZone, new Date());
  if (problem) return { refused: problem };
  if (!(await db.existsBy(PersonRow, { id: said.person })))
    return { refused: 'This person is not here.' };
  if (said.insteadOf !== null) {
    const before = await db.findOneBy(ClockEntryRow, { id: said.insteadOf });
    if (before && before.person !== said.person)
      return { refused: 'This belongs to somebody else’s day.' };
  }
  await db.insert(ClockEntryRow, {
    ...{ id: said.id, org: organisation, person: said.person, day: said.day, body: said },
  });
  await announce(db, organisation, [{ kind: 'hours', ref: said.person }]);
  return 'received';
}

export async function takeSiteTime(
  db: EntityManager,
  { organisation }: Session,
  said: SiteTimeSaid,
): Promise<Word> {
  const known = await db.findOneBy(SiteTimeRow, { id: said.id });
  if (known) return hadAsSaid(known.body, said);
  if (Date.parse(said.to) > Date.now() + AHEAD_MS)
    return { refused: 'That time has not come yet.' };
  await db.insert(SiteTimeRow, {
    ...{ id: said.id, org: organisation, visit: said.visit, body: said },
  });
  await announce(db, organisation, [{ kind: 'hours', ref: said.by }]);
  return 'received';
}

/** A shift may go past midnight: its end lies on the day it began, or on the next one. */
function problemWith({ at, day }: ClockSaid, timeZone: string, now: Date): string | null {
  if (Date.parse(at) > now.getTime() + AHEAD_MS) return 'That time has not come yet.';
  const here = inZone(new Date(at), timeZone).day;
  return here === day || here === addDays(day, 1)
    ? null
    : 'This does not lie on the day it is said of.';
}
