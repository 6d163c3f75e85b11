import { Day, Id } from '@ant-trail/contract/common';
import {
  ApprovalTaken,
  ClockSaid,
  DayOfPerson,
  HoursAnswer,
  HoursApproval,
  HoursQuery,
  OwnClock,
  OwnClockQuery,
  PersonHours,
  SiteTimeSaid,
} from '@ant-trail/contract/timesheet';
import { z } from 'zod';
import { route, type Route } from '../../http/route.ts';
import type { Word } from '../../phones/operation.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';
import { VisitRow } from '../planning/entities.ts';
import { approveHours, mustBeMonday, takeApprovalBack } from './approve.ts';
import { dayOfPerson, hoursOfWeek } from './hours.ts';
import { ownClock } from './own-clock.ts';
import { takeClock, takeSiteTime } from './take-clock.ts';

function mustBeTaken(word: Word): void {
  if (typeof word === 'object') throw new Refusal(422, 'not-taken', word.refused);
}

const mustBeOwn = (by: string, person: string): void => {
  if (by !== person)
    throw new Refusal(403, 'another-name', 'This was written under another person’s name.');
};

export const timesheetRoutes: Route[] = [
  route({
    method: 'get',
    path: '/api/me/clock',
    allowed: 'signed in',
    summary: 'What the office has of one’s own working days since a day',
    query: OwnClockQuery,
    answer: OwnClock,
    handle: ({ db, session, query }) => ownClock(db, session, query.from),
  }),
  route({
    method: 'get',
    path: '/api/hours',
    allowed: 'plan',
    summary: 'A week of everybody: hours worked, breaks, time on site and on the way',
    query: HoursQuery,
    answer: HoursAnswer,
    handle: async ({ db, query: { monday } }) => {
      mustBeMonday(monday);
      return { monday, people: await hoursOfWeek(db, monday, new Date()) };
    },
  }),
  route({
    method: 'get',
    path: '/api/hours/:person/:day',
    allowed: 'plan',
    summary: 'What was said of a day of somebody, and where they were',
    params: z.object({ person: Id, day: Day }),
    answer: DayOfPerson,
    handle: ({ db, params }) => dayOfPerson(db, params.person, params.day, new Date()),
  }),
  route({
    method: 'post',
    path: '/api/hours/entries',
    allowed: 'plan',
    summary: 'Put something right of somebody’s working day, with a reason',
    body: ClockSaid,
    answer: DayOfPerson,
    handle: async ({ db, session, body }) => {
      mustBeOwn(body.by, session.person);
      if (body.reason === null)
        throw new Refusal(422, 'no-reason', 'Say why: whoever it is about has to know.');
      if (!(await db.existsBy(PersonRow, { id: body.person }))) throw notFound('This person');
      mustBeTaken(await takeClock(db, session, body));
      return dayOfPerson(db, body.person, body.day, new Date());
    },
  }),
  route({
    method: 'post',
    path: '/api/hours/site-times',
    allowed: 'plan',
    summary: 'Put somebody’s time at a visit right, with a reason',
    body: SiteTimeSaid,
    answer: DayOfPerson,
    handle: async ({ db, session, body }) => {
      mustBeOwn(body.by, session.person);
      const visit = await db.findOneBy(VisitRow, { id: body.visit });
      if (!visit?.person) throw notFound('This visit');
      mustBeTaken(await takeSiteTime(db, session, body));
      return dayOfPerson(db, visit.person, visit.day, new Date());
    },
  }),
  route({
    method: 'post',
    path: '/api/hours/approvals',
    allowed: 'plan',
    summary: 'Approve a week of somebody as it was looked at',
    body: HoursApproval,
    answer: PersonHours,
    handle: ({ db, session, body }) => approveHours(db, session, body),
  }),
  route({
    method: 'post',
    path: '/api/hours/approvals/removal',
    allowed: 'plan',
    summary: 'Take the approval of a week back',
    body: ApprovalTaken,
    answer: PersonHours,
    handle: ({ db, session, body }) => takeApprovalBack(db, session, body),
  }),
];
