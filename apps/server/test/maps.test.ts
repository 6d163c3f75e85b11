import type { MapLayer } from '@ant-trail/contract/maps';
import { island, placeOf, SITES } from '@ant-trail/demo';
import { check } from '@placemarkio/check-geojson';
import { booleanPointInPolygon } from '@turf/boolean-point-in-polygon';
import type { Feature, Polygon } from 'geojson';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let team: Team;
let manager: Caller;
let technician: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`maps${++count}`);
  ({ manager, technician } = team);
});

const collection = (...geometries: object[]): object => ({
  type: 'FeatureCollection',
  features: geometries.map((geometry) => ({ type: 'Feature', properties: null, geometry })),
});
const line = (...coordinates: number[][]): object => ({ type: 'LineString', coordinates });
const draft = (content: object): object => ({ name: 'Drove', look: 'path', content });
const add = (content: object): Promise<{ status: number; body: unknown }> =>
  manager.call('POST', '/api/map', draft(content));

test('a layer comes onto the map and onto every phone; taken off, it goes from both', async () => {
  const made = await add({
    ...collection(line([-41.3, 38.6], [-41.2, 38.7, 120])),
    crs: 'of before RFC 7946',
  });
  const layer = made.body as MapLayer;
  expect(layer).toMatchObject({ name: 'Drove', look: 'path', retired: false });
  expect(JSON.stringify(layer.content)).not.toContain('crs');
  expect((await manager.call('GET', '/api/map')).body).toMatchObject({
    layers: [{ id: layer.id }],
  });
  const filled = await pull(technician);
  const kept = (from: typeof filled): unknown[] =>
    from.changes.filter(({ kind }) => kind === 'map layer').map(({ body }) => body);
  expect(kept(filled)).toMatchObject([{ id: layer.id, retired: false }]);
  const left = await manager.call('POST', `/api/map/${layer.id}/removal`, {});
  expect(left.body).toEqual({ layers: [] });
  const after = await pull(technician, filled.cursor);
  expect(kept(after)).toMatchObject([{ id: layer.id, retired: true, content: { features: [] } }]);
  expect((await manager.call('POST', `/api/map/${layer.id}/removal`, {})).status).toBe(404);
});

test.each<[string, object]>([
  ['a lone geometry', line([0, 0], [1, 1])],
  ['a latitude that is none', collection(line([0, 91], [1, 1]))],
  ['a line of one point', collection(line([0, 0]))],
  ['a position of one number', collection(line([0], [1, 1]))],
  [
    'an outline that does not end where it begins',
    collection({
      type: 'Polygon',
      coordinates: [
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
      ],
    }),
  ],
  ['a shape there is not', collection({ type: 'Circle', coordinates: [0, 0] })],
])('%s is refused, with words', async (_what, content) => {
  const { status, body } = await add(content);
  expect(status).toBe(400);
  expect((body as { message: string }).message).not.toBe('');
});

test('only who keeps places changes the map, and only their own', async () => {
  const content = collection(line([0, 0], [1, 1]));
  expect((await technician.call('POST', '/api/map', draft(content))).status).toBe(403);
  expect((await technician.call('GET', '/api/map/places')).status).toBe(403);
  const { id } = (await add(content)).body as MapLayer;
  const other = await office.newTeam(`other-maps${count}`);
  expect((await other.manager.call('GET', '/api/map')).body).toEqual({ layers: [] });
  expect((await other.manager.call('POST', `/api/map/${id}/removal`, {})).status).toBe(404);
  const theirs = JSON.stringify((await other.manager.call('GET', '/api/map/places')).body);
  expect(theirs).toContain(other.org.site);
  expect(theirs).not.toContain(team.org.site);
});

test('two layers too large for phones together: the second is refused', async () => {
  const shifted = (from: number, by: number): number => Number((from + by / 1e6).toFixed(6));
  const long = (at: number): object =>
    collection({
      type: 'LineString',
      coordinates: Array.from({ length: 145_000 }, (_, by) => [shifted(at, by), shifted(38, by)]),
    });
  expect((await add(long(-41))).status).toBe(200);
  expect((await add(long(-42))).status).toBe(409);
});

describe('the island', () => {
  const layers = island();

  test.each(layers.map(({ name, content }) => [name, content] as const))(
    '“%s” is GeoJSON as another library reads it',
    (_name, content) => {
      // Source: RFC 7946, as checked by @placemarkio/check-geojson.
      expect(() => check(JSON.stringify(content))).not.toThrow();
    },
  );

  test('every place lies on land', () => {
    // Point in polygon as Turf has it.
    const [land] = layers.find(({ look }) => look === 'land')?.content.features ?? [];
    const atSea = SITES.filter((site) => {
      const { lat, lon } = placeOf(site);
      return !booleanPointInPolygon([lon, lat], land as Feature<Polygon>);
    });
    expect(atSea.map(({ name }) => name)).toEqual([]);
  });

  test('is the same each time', () => {
    expect(island()).toEqual(layers);
  });
});
