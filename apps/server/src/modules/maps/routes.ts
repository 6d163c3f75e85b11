import { Id } from '@ant-trail/contract/common';
import { MapAnswer, MapLayer, MapLayerDraft, MapPointsAnswer } from '@ant-trail/contract/maps';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { addLayer, allLayers, takeOff } from './layers.ts';
import { placesOnMap } from './places.ts';

export const mapRoutes = [
  route({
    method: 'get',
    path: '/api/map',
    allowed: 'signed in',
    summary: 'The layers of the organisation’s map (GeoJSON, RFC 7946)',
    answer: MapAnswer,
    handle: async ({ db }) => ({ layers: await allLayers(db) }),
  }),
  route({
    method: 'post',
    path: '/api/map',
    allowed: 'keep places',
    summary: 'Add a layer to the map',
    body: MapLayerDraft,
    answer: MapLayer,
    handle: ({ db, body, session }) => addLayer(db, session.organisation, body),
  }),
  route({
    method: 'post',
    path: '/api/map/:id/removal',
    allowed: 'keep places',
    summary: 'Take a layer off the map',
    params: z.object({ id: Id }),
    answer: MapAnswer,
    handle: async ({ db, params, session }) => {
      await takeOff(db, session.organisation, params.id);
      return { layers: await allLayers(db) };
    },
  }),
  route({
    method: 'get',
    path: '/api/map/places',
    allowed: 'read',
    summary: 'Where all places in use lie',
    answer: MapPointsAnswer,
    handle: async ({ db }) => ({ points: await placesOnMap(db) }),
  }),
];
