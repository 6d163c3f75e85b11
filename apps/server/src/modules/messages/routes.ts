import { Id } from '@ant-trail/contract/common';
import {
  Message,
  MessageSaid,
  MessagesAnswer,
  MessagesRead,
  MessagesSeen,
  MessageThreads,
} from '@ant-trail/contract/messages';
import { z } from 'zod';
import { route, type Route } from '../../http/route.ts';
import { messagesWhere, messageThreads, MOST_SHOWN } from './messages.ts';
import { readMessages, writeMessage } from './take-messages.ts';

export const messageRoutes: Route[] = [
  route({
    method: 'get',
    path: '/api/messages',
    allowed: 'read',
    summary: 'Whom the office writes with, whoever wrote last first',
    answer: MessageThreads,
    handle: ({ db }) => messageThreads(db),
  }),
  route({
    method: 'get',
    path: '/api/messages/:person',
    allowed: 'read',
    summary: 'The last messages with somebody, the oldest first',
    params: z.object({ person: Id }),
    answer: MessagesAnswer,
    handle: async ({ db, params }) => ({ messages: await messagesWhere(db, params, MOST_SHOWN) }),
  }),
  route({
    method: 'post',
    path: '/api/messages',
    allowed: 'read',
    summary: 'Write to somebody, or about one of their stops',
    body: MessageSaid,
    answer: Message,
    handle: ({ db, session, body }) => writeMessage(db, session, body),
  }),
  route({
    method: 'post',
    path: '/api/messages/seen',
    allowed: 'read',
    summary: 'Tell that the office has read what somebody wrote',
    body: MessagesRead,
    answer: MessagesSeen,
    handle: async ({ db, session, body }) => ({
      seen: await readMessages(db, session, body.person),
    }),
  }),
];
