import { Id } from '@ant-trail/contract/common';
import {
  DayAnswer,
  DayQuery,
  JobCard,
  JobDraft,
  JobsAnswer,
  JobsQuery,
  VisitPlan,
} from '@ant-trail/contract/planning';
import { z } from 'zod';
import { OFFICE, PLANNERS, route } from '../../http/route.ts';
import { cardOf, findJobs, planVisit } from './jobs.ts';
import { makeJob } from './make-job.ts';

export const planningRoutes = [
  route({
    method: 'get',
    path: '/api/day',
    allowed: OFFICE,
    summary: 'All visits of one day, with what happened at them',
    query: DayQuery,
    answer: DayAnswer,
    handle: async ({ db, query }) => {
      const rows = await findJobs(db, { visit: { day: query.day } });
      return { day: query.day, cards: rows.map(cardOf) };
    },
  }),
  route({
    method: 'get',
    path: '/api/jobs',
    allowed: OFFICE,
    summary: 'Jobs, newest first, of one state where it is named',
    query: JobsQuery,
    answer: JobsAnswer,
    handle: async ({ db, query }) => {
      const rows = await findJobs(db, query.state ? { state: query.state } : {}, 300);
      return { cards: rows.map(cardOf) };
    },
  }),
  route({
    method: 'post',
    path: '/api/jobs',
    allowed: PLANNERS,
    summary: 'Make a job with its visit and sheet',
    body: JobDraft,
    answer: JobCard,
    handle: ({ db, body, session }) => makeJob(db, session, body),
  }),
  route({
    method: 'put',
    path: '/api/visits/:id/plan',
    allowed: PLANNERS,
    summary: 'Give a visit to a person and a time',
    params: z.object({ id: Id }),
    body: VisitPlan,
    answer: JobCard,
    handle: ({ db, params, body, session }) => planVisit(db, session, params.id, body),
  }),
];
