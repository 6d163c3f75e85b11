import {
  Action,
  ActionDraft,
  ActionsAnswer,
  ActionsQuery,
  MoveAction,
} from '@ant-trail/contract/actions';
import { Id } from '@ant-trail/contract/common';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { notFound } from '../../refusals/refusal.ts';
import { findActions, moveAction, openAction } from './actions.ts';
import { listActions } from './list-actions.ts';

async function oneAction(db: EntityManager, id: string): Promise<Action> {
  const [action] = await findActions(db, { id });
  if (!action) throw notFound('This action');
  return action;
}

export const actionRoutes = [
  route({
    method: 'get',
    path: '/api/actions',
    allowed: 'read',
    summary: 'Corrective actions that are looked for, a page at a time',
    query: ActionsQuery,
    answer: ActionsAnswer,
    handle: ({ db, query }) => listActions(db, query),
  }),
  route({
    method: 'get',
    path: '/api/actions/:id',
    allowed: 'read',
    summary: 'One corrective action with its story',
    params: z.object({ id: Id }),
    answer: Action,
    handle: ({ db, params }) => oneAction(db, params.id),
  }),
  route({
    method: 'post',
    path: '/api/actions',
    allowed: 'read',
    summary: 'Open a corrective action',
    body: ActionDraft,
    answer: Action,
    handle: async ({ db, body, session }) => {
      await openAction(db, session, body);
      return oneAction(db, body.id);
    },
  }),
  route({
    method: 'post',
    path: '/api/actions/:id/moves',
    allowed: 'signed in',
    summary: 'Move a corrective action on',
    params: z.object({ id: Id }),
    body: MoveAction,
    answer: Action,
    handle: ({ db, params, body, session }) =>
      moveAction(db, session, params.id, body.to, body.note),
  }),
];
