import { Me, PeopleAnswer } from '@ant-trail/contract/accounts';
import { route } from '../../http/route.ts';
import { describeMe, listPeople } from './people.ts';

export const accountRoutes = [
  route({
    method: 'get',
    path: '/api/me',
    allowed: 'signed in',
    summary: 'Who is signed in, and where',
    answer: Me,
    handle: ({ db, session }) => describeMe(db, session),
  }),
  route({
    method: 'get',
    path: '/api/people',
    allowed: 'read',
    summary: 'The people of the organisation with their credentials',
    answer: PeopleAnswer,
    handle: async ({ db }) => ({ people: await listPeople(db) }),
  }),
];
