import type { FeatureCollection, Geometry } from 'geojson';
import { z } from 'zod';
import { Line, Polygon, Position } from '../common/index.ts';

const simple = [
  z.object({ type: z.literal('Point'), coordinates: Position }),
  z.object({ type: z.literal('MultiPoint'), coordinates: z.array(Position) }),
  z.object({ type: z.literal('LineString'), coordinates: Line }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(Line) }),
  z.object({ type: z.literal('Polygon'), coordinates: Polygon }),
  z.object({ type: z.literal('MultiPolygon'), coordinates: z.array(Polygon) }),
] as const;

const Geometry: z.ZodType<Geometry> = z.discriminatedUnion('type', [
  ...simple,
  z.object({
    type: z.literal('GeometryCollection'),
    geometries: z.array(z.discriminatedUnion('type', simple)),
  }),
]);

export const MOST_FEATURES = 20_000;

/** When a cableway goes, in minutes: what is no such number says nothing. */
const TIMES = ['every', 'first', 'last', 'ride'] as const;

/** A collection of features by RFC 7946. Of what is known of each, its name is kept, and when it goes. */
export const GeoJson: z.ZodType<FeatureCollection<Geometry | null>> = z.object({
  type: z.literal('FeatureCollection', 'This file is no collection of features (RFC 7946).'),
  features: z
    .array(
      z.object({
        type: z.literal('Feature'),
        geometry: Geometry.nullable(),
        properties: z
          .object({
            name: z.unknown(),
            ...{ every: z.unknown(), first: z.unknown(), last: z.unknown(), ride: z.unknown() },
          })
          .partial()
          .nullable(),
      }),
    )
    .max(MOST_FEATURES, `At most ${MOST_FEATURES.toLocaleString('en')} features.`),
});

/** Features that lie nowhere are allowed, and can't be drawn: what is kept of a collection, and of each. */
export const drawable = ({ features }: FeatureCollection<Geometry | null>): FeatureCollection => ({
  type: 'FeatureCollection',
  features: features.flatMap(({ geometry, properties }) => {
    const name: unknown = properties?.['name'];
    const times = TIMES.flatMap((key) => {
      const value: unknown = properties?.[key];
      return typeof value === 'number' && Number.isFinite(value) ? [[key, value] as const] : [];
    });
    const kept = { ...(typeof name === 'string' ? { name } : {}), ...Object.fromEntries(times) };
    return geometry ? [{ type: 'Feature', geometry, properties: kept }] : [];
  }),
});
