import type { PlacedShape } from '@ant-trail/contract/register';
import type { EntityManager } from 'typeorm';

/** So many shapes are shown on one map. */
const MOST_SHAPES = 5_000;

/** Things in use that lie on the map by themselves, by name. */
export const shapesOnMap = (db: EntityManager): Promise<PlacedShape[]> =>
  db.query<PlacedShape[]>(
    `SELECT a.id, a.name, a.kind, a.site_id AS site, s.name AS "siteName", a.shape
     FROM asset a JOIN site s ON s.id = a.site_id
     WHERE a.shape IS NOT NULL AND NOT a.retired
     ORDER BY a.name, a.id LIMIT $1`,
    [MOST_SHAPES],
  );
