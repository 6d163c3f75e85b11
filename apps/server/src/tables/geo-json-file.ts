import { GeoJson } from '@ant-trail/contract/maps';
import { z } from 'zod';

const BRACE = 0x7b;
const BLANK: ReadonlySet<number> = new Set([0x20, 0x09, 0x0a, 0x0d, 0xef, 0xbb, 0xbf]);

const WithProperties = z.object({
  features: z.array(z.object({ properties: z.record(z.string(), z.unknown()).nullable() })),
});

/** What a file calls where its features lie, as they are known when its columns are assigned. */
const WHERE = ['Latitude', 'Longitude'] as const;

/**
 * A GeoJSON file (RFC 7946) as lines: a column for each property, then where each feature lies. Null
 * where the file is none: it may be rows all the same.
 */
export function readGeoJson(bytes: Uint8Array): string[][] | null {
  if (bytes.find((byte) => !BLANK.has(byte)) !== BRACE) return null;
  const value = parsed(bytes);
  const read = GeoJson.safeParse(value);
  const known = WithProperties.safeParse(value);
  if (!read.success || !known.success) return null;
  const properties = known.data.features.map((feature) => feature.properties ?? {});
  const titles = [...new Set(properties.flatMap((each) => Object.keys(each)))];
  const places = read.data.features.map(({ geometry }) => middleOf(positionsIn(geometry)));
  const isAnywhere = places.some((place) => place !== null);
  return [
    [...titles, ...(isAnywhere ? WHERE : [])],
    ...properties.map((each, at) => [
      ...titles.map((title) => (Object.hasOwn(each, title) ? sayValue(each[title]) : '')),
      ...(isAnywhere ? [places[at]?.lat ?? '', places[at]?.lon ?? ''].map(String) : []),
    ]),
  ];
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return null;
  }
}

function sayValue(value: unknown): string {
  if (typeof value === 'string') return value;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return value === null || value === undefined ? '' : JSON.stringify(value);
}

type Position = readonly [lon: number, lat: number];

/** Every position of a geometry, however deep it lies. */
function positionsIn(geometry: unknown): Position[] {
  if (typeof geometry !== 'object' || geometry === null) return [];
  if ('geometries' in geometry && Array.isArray(geometry.geometries))
    return geometry.geometries.flatMap(positionsIn);
  const found: Position[] = [];
  const look = (value: unknown): void => {
    if (!Array.isArray(value)) return;
    const [lon, lat] = value as unknown[];
    if (typeof lon === 'number' && typeof lat === 'number') found.push([lon, lat]);
    else for (const each of value as unknown[]) look(each);
  };
  if ('coordinates' in geometry) look(geometry.coordinates);
  return found;
}

/** Where a point lies, or the middle of what a line or a plot takes up. */
function middleOf(positions: readonly Position[]): { lat: number; lon: number } | null {
  if (positions.length === 0) return null;
  let [west, south, east, north] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [lon, lat] of positions) {
    [west, east] = [Math.min(west, lon), Math.max(east, lon)];
    [south, north] = [Math.min(south, lat), Math.max(north, lat)];
  }
  const round = (degrees: number): number => Number(degrees.toFixed(7));
  return { lat: round((south + north) / 2), lon: round((west + east) / 2) };
}
