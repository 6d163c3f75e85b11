import { OneHolder, OwnFields, OwnFieldsAnswer, OwnFieldsDraft } from '@ant-trail/contract/fields';
import { route } from '../../http/route.ts';
import { ownFields, setOwnFields } from './own-fields.ts';

export const ownFieldRoutes = [
  route({
    method: 'get',
    path: '/api/own-fields',
    allowed: 'read',
    summary: 'Fields the office has defined for jobs, places and clients',
    answer: OwnFieldsAnswer,
    handle: async ({ db }) => ({ own: await ownFields(db) }),
  }),
  route({
    method: 'put',
    path: '/api/own-fields/:holder',
    allowed: 'keep places',
    summary: 'Define the fields of all jobs, places or clients',
    params: OneHolder,
    body: OwnFieldsDraft,
    answer: OwnFields,
    handle: ({ db, params, body, session }) =>
      setOwnFields(db, session.organisation, params.holder, body),
  }),
];
