import { Id } from '@ant-trail/contract/common';
import { Client, ClientDraft, ClientsAnswer, ClientsQuery } from '@ant-trail/contract/sites';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { addClient, changeClient, listClients } from './clients.ts';

export const clientRoutes = [
  route({
    method: 'get',
    path: '/api/clients',
    allowed: 'read',
    summary: 'Clients that are looked for, a page at a time',
    query: ClientsQuery,
    answer: ClientsAnswer,
    handle: ({ db, query }) => listClients(db, query),
  }),
  route({
    method: 'post',
    path: '/api/clients',
    allowed: 'keep places',
    summary: 'Add a client',
    body: ClientDraft,
    answer: Client,
    handle: ({ db, body, session }) => addClient(db, session.organisation, body),
  }),
  route({
    method: 'put',
    path: '/api/clients/:id',
    allowed: 'keep places',
    summary: 'Change a client; its places have its new name',
    params: z.object({ id: Id }),
    body: ClientDraft,
    answer: Client,
    handle: ({ db, params, body, session }) =>
      changeClient(db, session.organisation, params.id, body),
  }),
];
