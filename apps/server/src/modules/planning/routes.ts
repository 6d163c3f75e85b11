import { Id } from '@ant-trail/contract/common';
import { JobCard, VisitCard } from '@ant-trail/contract/planning';
import { CalendarLink, CalendarLinkMade } from '@ant-trail/contract/planning/calendar';
import {
  BoardAnswer,
  BoardPeople,
  BoardQuery,
  BoardWays,
  CalendarAnswer,
  CalendarQuery,
  ClientRules,
  DayAnswer,
  DayQuery,
  FirstSteps,
  JobDecisionDraft,
  JobDetails,
  JobDraft,
  JobOwnDraft,
  JobsAnswer,
  JobsQuery,
  ManyJobs,
  ManyJobsMade,
  OrderAnswer,
  OrderAsk,
  PlannerHere,
  PlannersAnswer,
  PlansAnswer,
  PlansTaken,
  SigningDraft,
  SuitingAnswer,
  SuitingQuery,
  VisitPlan,
} from '@ant-trail/contract/planning/desk';
import { SamePlace, Site } from '@ant-trail/contract/sites';
import { wayLines } from '@ant-trail/core/maps/ways';
import { z } from 'zod';
import { longRoute, route, type Route } from '../../http/route.ts';
import { allLayers } from '../maps/layers.ts';
import { boardOf, boardPeople, calendarOf, waysOfDay } from './board.ts';
import { calendarLink, dropCalendarLink, makeCalendarLink } from './calendar-link.ts';
import { clientRules, keepClientRules } from './client-rules.ts';
import { dayOfWork } from './day-of-work.ts';
import { decide, jobDetails } from './decide.ts';
import { firstSteps } from './first-steps.ts';
import { cardOf, findJob, findJobs, visitCardsOf } from './jobs.ts';
import { listJobs } from './list-jobs.ts';
import { makeJob } from './make-job.ts';
import { makeMany } from './make-many.ts';
import type { OrderLine } from './order-line.ts';
import { makeOnePlace } from './one-place.ts';
import { plannerHere, planners } from './planners.ts';
import { planVisit } from './plan-visit.ts';
import { takePlans } from './take-plans.ts';
import { askForSigning } from './signing.ts';
import { writeOwn } from './write-own.ts';
import { whoSuits } from './suiting.ts';

export const planningRoutes = (orders: OrderLine): Route[] => [
  route({
    method: 'get',
    path: '/api/first-steps',
    allowed: 'plan',
    summary: 'What the organisation has of what it takes to come to a first report',
    answer: FirstSteps,
    handle: ({ db }) => firstSteps(db),
  }),
  route({
    method: 'get',
    path: '/api/me/calendar',
    allowed: 'signed in',
    summary: 'Whether one’s own visits can be read by a calendar program',
    answer: CalendarLink,
    handle: ({ db, session }) => calendarLink(db, session),
  }),
  route({
    method: 'post',
    path: '/api/me/calendar',
    allowed: 'signed in',
    summary: 'Make a link under which a calendar program reads one’s own visits (RFC 5545)',
    answer: CalendarLinkMade,
    handle: ({ db, session }) => makeCalendarLink(db, session),
  }),
  route({
    method: 'post',
    path: '/api/me/calendar/removal',
    allowed: 'signed in',
    summary: 'Take the link to one’s own visits back',
    answer: CalendarLink,
    handle: ({ db, session }) => dropCalendarLink(db, session),
  }),
  route({
    method: 'get',
    path: '/api/day',
    allowed: 'read',
    summary: 'All visits of one day, with what happened at them',
    query: DayQuery,
    answer: DayAnswer,
    handle: async ({ db, query }) => {
      const rows = await findJobs(db, { visits: { day: query.day } });
      return { day: query.day, cards: rows.flatMap((row) => visitCardsOf(row, query.day)) };
    },
  }),
  route({
    method: 'get',
    path: '/api/board',
    allowed: 'read',
    summary: 'All visits of some days, as far as the board shows them',
    query: BoardQuery,
    answer: BoardAnswer,
    handle: ({ db, query }) => boardOf(db, query.from, query.days),
  }),
  route({
    method: 'get',
    path: '/api/board/people',
    allowed: 'read',
    summary: 'When everybody who has a trail is there',
    answer: BoardPeople,
    handle: ({ db }) => boardPeople(db),
  }),
  longRoute({
    method: 'get',
    path: '/api/board/ways',
    allowed: 'read',
    summary: 'How long people take from each stop of a day to the next, along the ways of the map',
    query: DayQuery,
    answer: BoardWays,
    handle: async ({ within, query, session }) => {
      const known = await within(async (db) => ({
        ...(await waysOfDay(db, query.day)),
        ways: wayLines(await allLayers(db)),
      }));
      const { sites, ...task } = known;
      return { sites: [...sites], minutes: await orders.ways(session.organisation, task) };
    },
  }),
  route({
    method: 'get',
    path: '/api/calendar',
    allowed: 'read',
    summary: 'What each of some days comes to',
    query: CalendarQuery,
    answer: CalendarAnswer,
    handle: ({ db, query }) => calendarOf(db, query.from, query.days),
  }),
  route({
    method: 'get',
    path: '/api/planners',
    allowed: 'plan',
    summary: 'Who else plans just now, and which day',
    answer: PlannersAnswer,
    handle: ({ db, session }) => planners(db, session),
  }),
  route({
    method: 'post',
    path: '/api/planners',
    allowed: 'plan',
    summary: 'Tell that one plans a day just now, or no more',
    body: PlannerHere,
    handle: ({ db, body, session }) => plannerHere(db, session, body.day),
  }),
  route({
    method: 'get',
    path: '/api/suiting',
    allowed: 'plan',
    summary: 'Who suits for work: credentials, skills, hours and absences against what is demanded',
    query: SuitingQuery,
    answer: SuitingAnswer,
    handle: ({ db, query }) => whoSuits(db, query),
  }),
  route({
    method: 'get',
    path: '/api/jobs',
    allowed: 'read',
    summary: 'Jobs that are looked for, a page at a time',
    query: JobsQuery,
    answer: JobsAnswer,
    handle: ({ db, query }) => listJobs(db, query),
  }),
  route({
    method: 'post',
    path: '/api/jobs',
    allowed: 'plan',
    summary: 'Make a job with its visits and sheets',
    body: JobDraft,
    answer: JobCard,
    handle: async ({ db, body, session }) => {
      const { job } = await makeJob(db, session, body);
      return cardOf(await findJob(db, { id: job.id }));
    },
  }),
  route({
    method: 'post',
    path: '/api/jobs/many',
    allowed: 'plan',
    summary: 'Make the same job at many places or things, all of them or none',
    body: ManyJobs,
    answer: ManyJobsMade,
    handle: async ({ db, body, session }) => ({ jobs: await makeMany(db, session, body) }),
  }),
  route({
    method: 'put',
    path: '/api/visits/:id/plan',
    allowed: 'plan',
    summary: 'Give a visit to a person and a time',
    params: z.object({ id: Id }),
    body: VisitPlan,
    answer: VisitCard,
    handle: ({ db, params, body, session }) => planVisit(db, session, params.id, body),
  }),
  longRoute({
    method: 'post',
    path: '/api/orders',
    allowed: 'plan',
    summary: 'Look for a better order of a day: who goes where, and when',
    body: OrderAsk,
    answer: OrderAnswer,
    handle: async ({ within, body, session }) => {
      const { organisation } = session;
      const known = await within(async (db) => ({
        day: await dayOfWork(db, organisation, body, new Date()),
        ways: wayLines(await allLayers(db)),
      }));
      return orders.find(organisation, {
        ...{ ...known, millis: body.seconds * 1_000 },
        ...(body.from ? { from: body.from } : {}),
      });
    },
  }),
  route({
    method: 'post',
    path: '/api/plans',
    allowed: 'plan',
    summary: 'Give several visits other people and hours at once, all of them or none',
    body: PlansTaken,
    answer: PlansAnswer,
    handle: async ({ db, body, session }) => ({ cards: await takePlans(db, session, body) }),
  }),
  route({
    method: 'get',
    path: '/api/jobs/:id',
    allowed: 'read',
    summary: 'A job with what its sheets have come to and what was decided about it',
    params: z.object({ id: Id }),
    answer: JobDetails,
    handle: ({ db, params }) => jobDetails(db, params.id),
  }),
  route({
    method: 'put',
    path: '/api/jobs/:id/own',
    allowed: 'plan',
    summary: 'Write what is known of a job by own fields',
    params: z.object({ id: Id }),
    body: JobOwnDraft,
    answer: JobDetails,
    handle: ({ db, params, body, session }) =>
      writeOwn(db, session.organisation, params.id, body.own),
  }),
  route({
    method: 'get',
    path: '/api/clients/:id/rules',
    allowed: 'plan',
    summary: 'What follows the work for a client by its own rules',
    params: z.object({ id: Id }),
    answer: ClientRules,
    handle: ({ db, params }) => clientRules(db, params.id),
  }),
  route({
    method: 'put',
    path: '/api/clients/:id/rules',
    allowed: 'keep places',
    summary: 'Keep what follows the work for a client',
    params: z.object({ id: Id }),
    body: ClientRules,
    answer: ClientRules,
    handle: ({ db, params, body, session }) =>
      keepClientRules(db, session.organisation, params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/same-as',
    allowed: 'keep places',
    summary: 'Say that a place told from the field is one there was',
    params: z.object({ id: Id }),
    body: SamePlace,
    answer: Site,
    handle: ({ db, params, body, session }) =>
      makeOnePlace(db, session.organisation, params.id, body.site),
  }),
  route({
    method: 'post',
    path: '/api/jobs/:id/signing',
    allowed: 'plan',
    summary: 'Ask for the signature of whoever answers for the place, or do without it',
    params: z.object({ id: Id }),
    body: SigningDraft,
    answer: JobDetails,
    handle: ({ db, params, body, session }) => askForSigning(db, session, params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/jobs/:id/decisions',
    allowed: 'plan',
    summary: 'Cancel, close or open a job again, with a reason',
    params: z.object({ id: Id }),
    body: JobDecisionDraft,
    answer: JobDetails,
    handle: ({ db, params, body, session }) => decide(db, session, params.id, body),
  }),
];
