import { Id } from '@ant-trail/contract/common';
import {
  Asset,
  AssetChange,
  AssetDraft,
  AssetKind,
  AssetKindDraft,
  AssetKindsAnswer,
  AssetLinesAnswer,
  AssetMove,
  AssetsAnswer,
  AssetsQuery,
  ShapesAnswer,
} from '@ant-trail/contract/register';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { addKind, assetKinds, changeKind } from './kinds.ts';
import { listAssets } from './list-assets.ts';
import { moveAsset } from './move-asset.ts';
import { addAsset, assetsAt, changeAsset } from './register.ts';
import { shapesOnMap } from './shapes.ts';

const one = z.object({ id: Id });

export const registerRoutes = [
  route({
    method: 'get',
    path: '/api/shapes',
    allowed: 'read',
    summary: 'Things that lie on the map by themselves (GeoJSON shapes, RFC 7946)',
    answer: ShapesAnswer,
    handle: async ({ db }) => ({ shapes: await shapesOnMap(db) }),
  }),
  route({
    method: 'get',
    path: '/api/assets',
    allowed: 'read',
    summary: 'Things of the register that are looked for, a page at a time',
    query: AssetsQuery,
    answer: AssetLinesAnswer,
    handle: ({ db, query }) => listAssets(db, query),
  }),
  route({
    method: 'get',
    path: '/api/sites/:id/assets',
    allowed: 'read',
    summary: 'What the register knows at a site',
    params: one,
    answer: AssetsAnswer,
    handle: async ({ db, params }) => ({ assets: await assetsAt(db, params.id) }),
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/assets',
    allowed: 'keep places',
    summary: 'Enter a thing or an area at a site',
    params: one,
    body: AssetDraft,
    answer: Asset,
    handle: ({ db, params, body, session }) => addAsset(db, session, params.id, body),
  }),
  route({
    method: 'put',
    path: '/api/assets/:id',
    allowed: 'keep places',
    summary: 'Change what is known of a thing, or say that it is no longer there',
    params: one,
    body: AssetChange,
    answer: Asset,
    handle: ({ db, params, body, session }) => changeAsset(db, session, params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/assets/:id/move',
    allowed: 'keep places',
    summary: 'Move a thing, with all that stands in it',
    params: one,
    body: AssetMove,
    answer: Asset,
    handle: ({ db, params, body, session }) => moveAsset(db, session, params.id, body),
  }),
  route({
    method: 'get',
    path: '/api/asset-kinds',
    allowed: 'read',
    summary: 'Kinds of thing, and what is known of each',
    answer: AssetKindsAnswer,
    handle: async ({ db }) => ({ kinds: await assetKinds(db) }),
  }),
  route({
    method: 'post',
    path: '/api/asset-kinds',
    allowed: 'keep places',
    summary: 'Add a kind of thing',
    body: AssetKindDraft,
    answer: AssetKind,
    handle: ({ db, body, session }) => addKind(db, session.organisation, body),
  }),
  route({
    method: 'put',
    path: '/api/asset-kinds/:id',
    allowed: 'keep places',
    summary: 'Change a kind of thing',
    params: one,
    body: AssetKindDraft,
    answer: AssetKind,
    handle: ({ db, params, body, session }) =>
      changeKind(db, session.organisation, params.id, body),
  }),
];
