import type { Shape } from '@ant-trail/contract/common';
import type { MapLayer } from '@ant-trail/contract/maps';
import type { PlacedShape } from '@ant-trail/contract/register';
import area from '@turf/area';

/** A piece of ground that can be chosen on the map: of the map alone, or a thing of the register. */
export interface Plot {
  readonly id: string;
  readonly name: string;
  readonly shape: Shape;
  /** What it is in the register; null where it is not in it. */
  readonly thing: PlacedShape | null;
}

/** Longitude and latitude of every corner. */
export const cornersOf = ({ coordinates }: Shape): (readonly [number, number])[] => {
  const found: (readonly [number, number])[] = [];
  const look = (part: unknown): void => {
    if (!Array.isArray(part)) return;
    if (typeof part[0] === 'number') found.push([part[0], part[1] as number]);
    else part.forEach(look);
  };
  look(coordinates);
  return found;
};

/** Where its name stands. */
export function middleOf(shape: Shape): { readonly lat: number; readonly lon: number } {
  const corners = cornersOf(shape);
  const sum = corners.reduce(([x, y], [lon, lat]) => [x + lon, y + lat] as const, [0, 0] as const);
  return { lon: sum[0] / corners.length, lat: sum[1] / corners.length };
}

const sameGround = (one: Shape, other: Shape): boolean =>
  JSON.stringify(one.coordinates) === JSON.stringify(other.coordinates);

/** The plots of the map with what they are in the register, and things that lie on none of them. */
export function plotsOf(layers: readonly MapLayer[], shapes: readonly PlacedShape[]): Plot[] {
  const left = new Set(shapes);
  const drawn = layers
    .filter(({ look }) => look === 'plot')
    .flatMap(({ id, name, content }) =>
      content.features.flatMap(({ geometry, properties }, index): Plot[] => {
        if (geometry?.type !== 'Polygon' && geometry?.type !== 'MultiPolygon') return [];
        const shape = geometry as Shape;
        const thing = shapes.find((each) => sameGround(each.shape, shape)) ?? null;
        if (thing) left.delete(thing);
        const own: unknown = properties?.['name'];
        return [
          {
            ...{ id: thing?.id ?? `${id}/${index}`, shape, thing },
            name:
              thing?.name ?? (typeof own === 'string' && own ? own : `${name}, plot ${index + 1}`),
          },
        ];
      }),
    );
  return [
    ...drawn,
    ...[...left].map((thing) => ({ id: thing.id, name: thing.name, shape: thing.shape, thing })),
  ];
}

const HECTARE = 10_000;

/** How large it is in words; empty for what has no area. */
export function sayArea(shape: Shape): string {
  const square = area(shape as Parameters<typeof area>[0]);
  if (square < 1) return '';
  if (square < HECTARE) return `${Math.round(square).toLocaleString('en')} m²`;
  return `${(square / HECTARE).toFixed(square < 10 * HECTARE ? 2 : 1)} ha`;
}
