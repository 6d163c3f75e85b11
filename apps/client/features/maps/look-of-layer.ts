import type { MapLook } from '@ant-trail/core/maps';
import type { PathOptions } from 'leaflet';
import type { Palette } from '@/design/palettes.ts';

/** How each layer is drawn: the application's own tones, in every theme. */
export function lookOf(look: MapLook, palette: Palette): PathOptions {
  const area = (fillColor: string, color: string, weight: number): PathOptions => ({
    ...{ fill: true, fillOpacity: 1, fillColor, stroke: weight > 0, color, weight },
  });
  const line = (color: string, weight: number, dashArray?: string): PathOptions => ({
    ...{ fill: false, color, weight, lineCap: 'round' as const },
    ...(dashArray ? { dashArray } : {}),
  });
  switch (look) {
    case 'land':
      return area(palette.sheet, palette.sand, 1.5);
    case 'height':
      return { ...line(palette.sand, 1), opacity: 0.55 };
    case 'water':
      return area(palette.lakeGround, palette.lake, 1);
    case 'plot':
      return { ...area(palette.mossGround, palette.trail, 1.5), fillOpacity: 0.7 };
    case 'building':
      return area(palette.sand, palette.sand, 0);
    case 'path':
      return line(palette.trail, 2, '1 5');
    case 'road':
      return line(palette.ink2, 2);
    case 'cableway':
      return line(palette.ink, 1.5, '9 3 2 3');
  }
}
