import type { MapPoint } from '@ant-trail/contract/maps';
import type { EntityManager } from 'typeorm';

/** So many places are shown on one map. */
const MOST_PLACES = 50_000;

/** Where all places in use lie, by name. */
export const placesOnMap = (db: EntityManager): Promise<MapPoint[]> =>
  db.query<MapPoint[]>(
    `SELECT id, name, client AS about, lat, lon FROM site WHERE NOT retired
     ORDER BY name, id LIMIT $1`,
    [MOST_PLACES],
  );
