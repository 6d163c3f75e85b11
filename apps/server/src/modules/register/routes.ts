import { Id } from '@ant-trail/contract/common';
import { Asset, AssetChange, AssetDraft, AssetsAnswer } from '@ant-trail/contract/register';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { addAsset, assetsAt, changeAsset } from './register.ts';

export const registerRoutes = [
  route({
    method: 'get',
    path: '/api/sites/:id/assets',
    allowed: 'read',
    summary: 'What the register knows at a site',
    params: z.object({ id: Id }),
    answer: AssetsAnswer,
    handle: async ({ db, params }) => ({ assets: await assetsAt(db, params.id) }),
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/assets',
    allowed: 'keep places',
    summary: 'Enter an asset at a site',
    params: z.object({ id: Id }),
    body: AssetDraft,
    answer: Asset,
    handle: ({ db, params, body, session }) => addAsset(db, session.organisation, params.id, body),
  }),
  route({
    method: 'put',
    path: '/api/assets/:id',
    allowed: 'keep places',
    summary: 'Rename an asset, or say that it is no longer there',
    params: z.object({ id: Id }),
    body: AssetChange,
    answer: Asset,
    handle: ({ db, params, body, session }) =>
      changeAsset(db, session.organisation, params.id, body),
  }),
];
