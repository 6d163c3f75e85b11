import type { SketchPlace } from '@ant-trail/core/trades/mark';
import type { CSSProperties } from 'react';
import { PALETTES } from '@/design/palettes.ts';

/** A sketch is drawn on white whatever the theme, and so is what lies on it. */
export const ON_PAPER = PALETTES.light;

/** A pin so large in the middle of its place. */
export const pinAt = ({ x, y }: SketchPlace, size: number): CSSProperties => ({
  ...{ position: 'absolute', boxSizing: 'border-box', width: size, height: size },
  left: `calc(${x * 100}% - ${size / 2}px)`,
  top: `calc(${y * 100}% - ${size / 2}px)`,
  ...{ display: 'grid', placeItems: 'center', fontWeight: 700 },
});
