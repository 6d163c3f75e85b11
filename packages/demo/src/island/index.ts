import { contours } from 'd3-contour';
import type { Feature, FeatureCollection, Geometry } from 'geojson';
import type { MapLook } from '@ant-trail/core/maps';
import { Chance } from '../chance.ts';
import { degreesOf, SITES } from '../sites.ts';
import { BOX, coast, heightAt, outwards, type Point } from './shape.ts';
import { CABLEWAYS, PATHS, ROADS, type Way } from './ways.ts';

export interface IslandLayer {
  readonly name: string;
  readonly look: MapLook;
  readonly content: FeatureCollection;
}

const position = ([east, north]: Point): [number, number] => {
  const { lat, lon } = degreesOf(east, north);
  return [lon, lat];
};
const feature = (geometry: Geometry, name = '', more: object = {}): Feature => ({
  ...{ type: 'Feature', geometry },
  properties: { ...(name ? { name } : {}), ...more },
});
const layer = (name: string, look: MapLook, features: Feature[]): IslandLayer => ({
  ...{ name, look },
  content: { type: 'FeatureCollection', features },
});
const linesOf = (ways: readonly Way[]): Feature[] =>
  ways.map(({ name, line, timetable }) =>
    feature({ type: 'LineString', coordinates: line.map(position) }, name, timetable),
  );

/** Columns and rows of the grid that heights are read on. */
const GRID = { wide: 84, high: 102 } as const;
const STEP_M = 100;

function heightLines(): Feature[] {
  const [wide, high] = [BOX.east - BOX.west, BOX.north - BOX.south];
  const placeAt = (x: number, y: number): Point => [
    BOX.west + (x * wide) / GRID.wide,
    BOX.south + (y * high) / GRID.high,
  ];
  const heights = Array.from({ length: GRID.wide * GRID.high }, (_, at) =>
    heightAt(placeAt((at % GRID.wide) + 0.5, Math.floor(at / GRID.wide) + 0.5)),
  );
  const top = Math.max(...heights);
  const steps = Array.from({ length: Math.floor(top / STEP_M) }, (_, at) => (at + 1) * STEP_M);
  return contours()
    .size([GRID.wide, GRID.high])
    .thresholds(steps)(heights)
    .map(({ value, coordinates }) =>
      feature(
        {
          type: 'MultiLineString',
          coordinates: coordinates.flatMap((rings) =>
            rings.map((ring) => ring.map(([x = 0, y = 0]) => position(placeAt(x, y)))),
          ),
        },
        `${value} m`,
      ),
    );
}

/** A house: its middle, how long and wide in metres, and which way it stands. */
function house([east, north]: Point, chance: Chance): Feature {
  const [long, wide] = [chance.between(9, 26) / 2000, chance.between(6, 13) / 2000];
  const turn = chance.between(0, Math.PI);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const corners = [
    [-long, -wide],
    [long, -wide],
    [long, wide],
    [-long, wide],
    [-long, -wide],
  ].map(([x = 0, y = 0]) => position([east + x * c - y * s, north + x * s + y * c]));
  return feature({ type: 'Polygon', coordinates: [corners] });
}

const HOUSES = 70;

function buildings(): Feature[] {
  const chance = new Chance(73);
  const atSites = SITES.filter(({ template }) => template !== 'path').map(({ east, north }) =>
    house([east, north], chance),
  );
  const village: Feature[] = [];
  while (village.length < HOUSES) {
    const point: Point = [0.35 + chance.wobble() * 0.35, 0.35 + chance.wobble() * 0.35];
    if (outwards(point) < 0.96) village.push(house(point, chance));
  }
  return [...atSites, ...village];
}

function tarn(): Feature {
  const ring = Array.from({ length: 37 }, (_, at): Point => {
    const angle = (at * Math.PI) / 18;
    const far = 1 + 0.12 * Math.sin(3 * angle);
    return [1.2 + 0.42 * far * Math.cos(angle), 6.95 + 0.28 * far * Math.sin(angle)];
  });
  return feature({ type: 'Polygon', coordinates: [ring.map(position)] }, 'The Tarn');
}

/** The island of Tarnhollow, drawn from the same seed as all that is done there. */
export const island = (): IslandLayer[] => [
  layer('Land', 'land', [
    feature({ type: 'Polygon', coordinates: [coast().map(position)] }, 'Tarnhollow'),
  ]),
  layer('Heights', 'height', heightLines()),
  layer('Water', 'water', [tarn()]),
  layer('Buildings', 'building', buildings()),
  layer('Paths', 'path', linesOf(PATHS)),
  layer('Roads', 'road', linesOf(ROADS)),
  layer('Cableways', 'cableway', linesOf(CABLEWAYS)),
];
