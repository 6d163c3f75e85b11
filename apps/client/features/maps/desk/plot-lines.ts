import type { Shape } from '@ant-trail/contract/common';
import type { MapPoint } from '@ant-trail/contract/maps';
import { distanceMetres } from '@ant-trail/core/geo';
import contains from '@turf/boolean-point-in-polygon';
import { middleOf, sayArea, type Plot } from '../plots.ts';
import type { Line } from './map-lines.ts';

/** A line for each plot. */
export const linesOfPlots = (plots: readonly Plot[]): Line[] =>
  plots.map(({ id, name, shape, thing }) => ({
    site: thing?.site ?? '',
    about: [thing ? `${thing.kind} · ${thing.siteName}` : 'not in the register', sayArea(shape)]
      .filter(Boolean)
      .join(' · '),
    spot: { id, name, ...middleOf(shape), tone: thing ? 'place' : 'done' },
  }));

/** The place a plot belongs to, most likely: one that lies in it, else the nearest. */
export function placeFor(shape: Shape, places: readonly MapPoint[]): MapPoint | null {
  const polygon = shape as Parameters<typeof contains>[1];
  const isArea = shape.type === 'Polygon' || shape.type === 'MultiPolygon';
  const within = isArea ? places.find(({ lat, lon }) => contains([lon, lat], polygon)) : undefined;
  if (within) return within;
  const middle = middleOf(shape);
  return places.reduce<MapPoint | null>(
    (best, place) =>
      best === null || distanceMetres(place, middle) < distanceMetres(best, middle) ? place : best,
    null,
  );
}
