import { Id } from '@ant-trail/contract/common';
import {
  Holidays,
  RhythmAnswer,
  RhythmAsk,
  Round,
  RoundChange,
  RoundDetails,
  RoundDraft,
  RoundRetirement,
  RoundsAnswer,
  RoundsQuery,
} from '@ant-trail/contract/rounds';
import { z } from 'zod';
import { route, type Route } from '../../http/route.ts';
import type { Queue } from '../../queue/queue.ts';
import { allHolidays, writeHolidays } from './holidays.ts';
import { listRounds } from './list-rounds.ts';
import { queueAll } from './queue.ts';
import {
  addRound,
  changeRound,
  findRound,
  holidaySet,
  nextDays,
  retireRound,
  roundOf,
} from './rounds.ts';
import { todayOf } from './today.ts';
import { walksOf } from './walks.ts';

const one = z.object({ id: Id });

export const roundRoutes = (queue: Queue): Route[] => [
  route({
    method: 'get',
    path: '/api/rounds',
    allowed: 'read',
    summary: 'Rounds that are looked for, a page at a time',
    query: RoundsQuery,
    answer: RoundsAnswer,
    handle: ({ db, query }) => listRounds(db, query),
  }),
  route({
    method: 'post',
    path: '/api/rounds',
    allowed: 'plan',
    summary: 'Add a round: it is planned ahead by its rule (RFC 5545)',
    body: RoundDraft,
    answer: Round,
    handle: ({ db, body, session }) => addRound(db, queue, session, body),
  }),
  route({
    method: 'get',
    path: '/api/rounds/days',
    allowed: 'read',
    summary: 'The next days of a rhythm, past holidays',
    query: RhythmAsk,
    answer: RhythmAnswer,
    handle: async ({ db, query: { from, ...rhythm } }) => ({
      days: nextDays(rhythm, await holidaySet(db), from),
    }),
  }),
  route({
    method: 'get',
    path: '/api/rounds/:id',
    allowed: 'read',
    summary: 'A round, and what was made of it day by day',
    params: one,
    answer: RoundDetails,
    handle: async ({ db, params }) => ({
      round: await roundOf(db, await findRound(db, params.id)),
      ...(await walksOf(db, params.id, await todayOf(db))),
    }),
  }),
  route({
    method: 'put',
    path: '/api/rounds/:id',
    allowed: 'plan',
    summary: 'Change a round: what nobody has begun is planned anew by it',
    params: one,
    body: RoundChange,
    answer: Round,
    handle: ({ db, params, body, session }) => changeRound(db, queue, session, params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/rounds/:id/retirement',
    allowed: 'plan',
    summary: 'Retire a round, or take it into use again',
    params: one,
    body: RoundRetirement,
    answer: Round,
    handle: ({ db, params, body, session }) =>
      retireRound(db, queue, session, params.id, body.retired),
  }),
  route({
    method: 'get',
    path: '/api/holidays',
    allowed: 'read',
    summary: 'Days on which rounds may be left out or moved',
    answer: Holidays,
    handle: async ({ db }) => ({ holidays: await allHolidays(db) }),
  }),
  route({
    method: 'put',
    path: '/api/holidays',
    allowed: 'plan',
    summary: 'Write all holidays; rounds go by them from now on',
    body: Holidays,
    answer: Holidays,
    handle: async ({ db, body, session }) => {
      const holidays = await writeHolidays(db, session.organisation, body.holidays);
      await queueAll(queue, db, session.organisation);
      return { holidays };
    },
  }),
];
