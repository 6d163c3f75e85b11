import { KeptView, KeptViewName, KeptViewsAnswer } from '@ant-trail/contract/lists';
import { route, type Route } from '../../http/route.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { KeptViewRow } from './entities.ts';

/** More than anybody looks through. */
const MOST_VIEWS = 200;

/** Ways of looking at lists are each person's own. */
export const listRoutes: Route[] = [
  route({
    method: 'get',
    path: '/api/views',
    allowed: 'read',
    summary: 'One’s own kept ways of looking at lists',
    answer: KeptViewsAnswer,
    handle: async ({ db, session }) => ({
      views: (
        await db.find(KeptViewRow, { where: { person: session.person }, order: { name: 'ASC' } })
      ).map(({ list, name, query, hidden }) => ({ list, name, query, hidden })),
    }),
  }),
  route({
    method: 'put',
    path: '/api/views',
    allowed: 'read',
    summary: 'Keep a way of looking at a list under its name, in the place of one called so',
    body: KeptView,
    handle: async ({ db, session, body }) => {
      if ((await db.countBy(KeptViewRow, { person: session.person })) >= MOST_VIEWS)
        throw new Refusal(409, 'too-many', 'You keep 200 views already: forget one of them first.');
      const own = { org: session.organisation, person: session.person };
      await db.upsert(KeptViewRow, { ...own, ...body }, ['org', 'person', 'list', 'name']);
    },
  }),
  route({
    method: 'delete',
    path: '/api/views/:list/:name',
    allowed: 'read',
    summary: 'Forget a kept way of looking at a list',
    params: KeptViewName,
    handle: async ({ db, session, params }) => {
      await db.delete(KeptViewRow, { ...params, person: session.person });
    },
  }),
];
