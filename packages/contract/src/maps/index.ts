import { MAP_LOOKS } from '@ant-trail/core/maps';
import { z } from 'zod';
import { Id, Name } from '../common/index.ts';
import { GeoJson } from './geo-json.ts';

export { drawable, GeoJson, MOST_FEATURES } from './geo-json.ts';

/** A layer of the organisation's map; phones have all of them. */
export const MapLayer = z.object({
  id: Id,
  name: Name,
  look: z.enum(MAP_LOOKS),
  content: GeoJson,
  /** Taken off the map. */
  retired: z.boolean().default(false),
});
export type MapLayer = z.infer<typeof MapLayer>;

export const MapLayerDraft = MapLayer.pick({ name: true, look: true, content: true }).strict();
export type MapLayerDraft = z.infer<typeof MapLayerDraft>;

export const MapAnswer = z.object({ layers: z.array(MapLayer) });

/** Something that lies somewhere. */
export const MapPoint = z.object({
  id: Id,
  name: z.string(),
  about: z.string(),
  lat: z.number(),
  lon: z.number(),
});
export type MapPoint = z.infer<typeof MapPoint>;
export const MapPointsAnswer = z.object({ points: z.array(MapPoint) });
