import { Action, ActionDraft, ActionsAnswer, MoveAction } from '@ant-trail/contract/actions';
import { Id } from '@ant-trail/contract/common';
import { z } from 'zod';
import { notFound } from '../../http/problem.ts';
import { route } from '../../http/route.ts';
import { findActions, listActions, moveAction, openAction } from './actions.ts';

export const actionRoutes = [
  route({
    method: 'get',
    path: '/api/actions',
    allowed: 'read',
    summary: 'Corrective actions',
    answer: ActionsAnswer,
    handle: async ({ db }) => ({ actions: await listActions(db) }),
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
      const [action] = await findActions(db, { id: body.id });
      if (!action) throw notFound('This action');
      return action;
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
