import { Id } from '@ant-trail/contract/common';
import {
  ApprovedTogether,
  ApproveTogether,
  Dossier,
  QueueAnswer,
  QueueQuery,
} from '@ant-trail/contract/review';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { approveTogether } from './approve-together.ts';
import { findDossier } from './dossier.ts';
import { listQueue } from './queue.ts';

export const reviewRoutes = [
  route({
    method: 'get',
    path: '/api/review',
    allowed: 'read',
    summary: 'Sheets waiting to be read, worst first',
    query: QueueQuery,
    answer: QueueAnswer,
    handle: ({ db, query }) => listQueue(db, query),
  }),
  route({
    method: 'post',
    path: '/api/approvals',
    allowed: 'review',
    summary: 'Approve the finished sheets of several jobs in which all is as it should be',
    body: ApproveTogether,
    answer: ApprovedTogether,
    handle: ({ db, body, session }) => approveTogether(db, session, body.jobs),
  }),
  route({
    method: 'get',
    path: '/api/sheets/:id',
    allowed: 'read',
    summary: 'One sheet with its whole log and what belongs to it',
    params: z.object({ id: Id }),
    answer: Dossier,
    handle: ({ db, params }) => findDossier(db, params.id),
  }),
];
