/** How a layer of a map is drawn, from the bottom up. */
export const MAP_LOOKS = [
  'land',
  'height',
  'water',
  'plot',
  'building',
  'path',
  'road',
  'cableway',
] as const;
export type MapLook = (typeof MAP_LOOKS)[number];

/** Layers from the bottom up; those drawn alike by name. */
export const layersInOrder = <Layer extends { readonly name: string; readonly look: MapLook }>(
  layers: readonly Layer[],
): Layer[] =>
  [...layers].sort(
    (a, b) => MAP_LOOKS.indexOf(a.look) - MAP_LOOKS.indexOf(b.look) || a.name.localeCompare(b.name),
  );
