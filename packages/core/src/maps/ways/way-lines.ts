import type { MapLook } from '../looks.ts';
import { WAY_KINDS, type Timetable, type WayKind, type WayLine } from './way-line.ts';

type Position = readonly number[];

/** A layer as far as ways are read from it: GeoJSON features (RFC 7946), of which lines count. */
export interface LayerOfWays {
  readonly look: MapLook;
  readonly content: {
    readonly features: readonly {
      readonly geometry: { readonly type: string } | null;
      readonly properties: Readonly<Record<string, unknown>> | null;
    }[];
  };
}

const isWay = (look: MapLook): look is WayKind => (WAY_KINDS as readonly string[]).includes(look);

const number = (value: unknown): number | undefined =>
  typeof value === 'number' && Number.isFinite(value) && value >= 0 ? value : undefined;

/** When it goes, as the features of a cableway say it: `every`, `first`, `last` and `ride`, in minutes. */
export function timetableOf(
  properties: Readonly<Record<string, unknown>> | null,
): Timetable | undefined {
  const [every, first, last] = ['every', 'first', 'last'].map((key) => number(properties?.[key]));
  if (!every || first === undefined || last === undefined || last < first) return undefined;
  return { every, first, last, ride: number(properties?.['ride']) };
}

/** How high a line lies: by its `level`, or as one that is a `bridge` or a `tunnel`. */
function levelOf(properties: Readonly<Record<string, unknown>> | null): number {
  const { level, bridge, tunnel } = properties ?? {};
  if (typeof level === 'number' && Number.isFinite(level)) return level;
  const is = (said: unknown): boolean => said === true || said === 'yes';
  return is(bridge) ? 1 : is(tunnel) ? -1 : 0;
}

/** The lines of a map that people go along: what is drawn as a road, a path or a cableway. */
export function wayLines(layers: readonly LayerOfWays[]): WayLine[] {
  return layers.flatMap(({ look, content }) => {
    if (!isWay(look)) return [];
    return content.features.flatMap(({ geometry, properties }): WayLine[] => {
      const name = properties?.['name'];
      return linesIn(geometry).map((line) => ({
        ...{ kind: look, line, name: typeof name === 'string' ? name : '' },
        level: levelOf(properties),
        ...(look === 'cableway' ? { timetable: timetableOf(properties) } : {}),
      }));
    });
  });
}

function linesIn(geometry: { readonly type: string } | null): (readonly [number, number])[][] {
  if (!geometry) return [];
  const { type, coordinates, geometries } = geometry as {
    type: string;
    coordinates?: unknown;
    geometries?: readonly { readonly type: string }[];
  };
  const positions = (line: readonly Position[]): (readonly [number, number])[] =>
    line.map(([lon = 0, lat = 0]) => [lon, lat]);
  if (type === 'LineString') return [positions(coordinates as Position[])];
  if (type === 'MultiLineString') return (coordinates as Position[][]).map(positions);
  return (geometries ?? []).flatMap(linesIn);
}
