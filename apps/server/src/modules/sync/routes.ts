import { PullAnswer, PullQuery, Push, PushAnswer } from '@ant-trail/contract/sync';
import type { Logger } from 'pino';
import { route, type Route } from '../../http/route.ts';
import { sendLater, type Queue } from '../../queue/queue.ts';
import { readCursor } from './cursor.ts';
import { answerPull } from './pull.ts';
import { takePush } from './push.ts';

export const syncRoutes = (log: Pick<Logger, 'error'>, queue: Queue): Route[] => [
  route({
    method: 'post',
    path: '/api/push',
    allowed: 'signed in',
    summary: 'Send operations; each is applied once and gets a receipt',
    body: Push,
    itemByItem: true,
    answer: PushAnswer,
    handle: async ({ db, body, session }) => ({
      receipts: await takePush(
        {
          ...{ db, session, clockOffMs: body.clock ? Date.parse(body.clock) - Date.now() : 0 },
          later: (line, task) => sendLater(queue, db, line, task),
        },
        body.operations,
        log,
      ),
    }),
  }),
  route({
    method: 'get',
    path: '/api/pull',
    allowed: 'signed in',
    summary: 'Fetch what this person’s phone does not have yet',
    query: PullQuery,
    answer: PullAnswer,
    handle: ({ db, query, session }) =>
      answerPull(db, session, {
        cursor: readCursor(query.cursor),
        through: query.through ?? null,
      }),
  }),
];
