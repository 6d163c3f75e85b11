import { randomUUID } from 'node:crypto';
import { drawable, type MapLayer, type MapLayerDraft } from '@ant-trail/contract/maps';
import { layersInOrder } from '@ant-trail/core/maps';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { oneAtATime } from '../../database/lock.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { MapLayerRow } from './entities.ts';

/** So many layers, and so much in them, go to every phone. */
const MOST_LAYERS = 30;
const MOST_CHARACTERS = 6_000_000;

const layerOf = ({ id, name, look, content, retired }: MapLayerRow): MapLayer => ({
  ...{ id, name, look, content, retired },
});

/** The layers in use, from the bottom up. */
export async function allLayers(db: EntityManager): Promise<MapLayer[]> {
  const rows = await db.find(MapLayerRow, { where: { retired: false }, order: { id: 'ASC' } });
  return layersInOrder(rows).map(layerOf);
}

/** Layers by their ids, those too that were taken off: phones must hear of it. */
export const layersWith = async (db: EntityManager, ids: readonly string[]): Promise<MapLayer[]> =>
  (await db.findBy(MapLayerRow, { id: In([...ids]) })).map((row) =>
    // What is off the map takes no room on phones.
    row.retired
      ? { ...layerOf(row), content: { type: 'FeatureCollection', features: [] } }
      : layerOf(row),
  );

/** Adds a layer to the map. */
export async function addLayer(
  db: EntityManager,
  org: string,
  draft: MapLayerDraft,
): Promise<MapLayer> {
  await oneAtATime(db, 'map', org);
  const [{ layers, size } = { layers: '0', size: '0' }] = await db.query<
    { layers: string; size: string | null }[]
  >(
    `SELECT count(*) AS layers, sum(length(content::text)) AS size FROM map_layer WHERE NOT retired`,
  );
  if (Number(layers) >= MOST_LAYERS)
    throw new Refusal(
      409,
      'map-full',
      `The map has ${MOST_LAYERS} layers. Take one off before you add another.`,
    );
  if (Number(size ?? 0) + JSON.stringify(draft.content).length > MOST_CHARACTERS)
    throw new Refusal(
      409,
      'map-full',
      'With this the map would be too large for phones. Make the file smaller, or take a layer off.',
    );
  const row = { ...draft, content: drawable(draft.content), id: randomUUID(), org, retired: false };
  await db.insert(MapLayerRow, row);
  await announce(db, org, [{ kind: 'map', ref: row.id, reach: null }]);
  return layerOf(row);
}

/** Takes a layer off the map. */
export async function takeOff(db: EntityManager, org: string, id: string): Promise<void> {
  const { affected } = await db.update(MapLayerRow, { id, retired: false }, { retired: true });
  if (affected === 0) throw notFound('This layer');
  await announce(db, org, [{ kind: 'map', ref: id, reach: null }]);
}
