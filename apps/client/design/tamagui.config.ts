import { createFont, createTamagui, createTokens } from '@tamagui/core';
import { PALETTES } from './palettes.ts';

const size = { 0: 0, 1: 4, 2: 8, 3: 12, 4: 16, 5: 20, 6: 28, 7: 40, 8: 48, 9: 60, true: 16 };

const tokens = createTokens({
  size,
  space: size,
  // The leaf corner: one sharp, three round.
  radius: { 0: 0, sharp: 4, leaf: 14, barSharp: 6, bar: 24, full: 999, true: 14 },
  zIndex: { 0: 0, 1: 100, 2: 200 },
  color: PALETTES.light,
});

const sizes = { 1: 13, 2: 15, 3: 17, 4: 20, 5: 27, 6: 34, true: 17 } as const;
const lines = { 1: 18, 2: 21, 3: 24, 4: 26, 5: 33, 6: 40, true: 24 } as const;
const weights = { 1: '400', 2: '560', 3: '650', true: '400' } as const;

const next = createFont({
  family: "'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible', Verdana, sans-serif",
  size: sizes,
  lineHeight: lines,
  weight: weights,
  letterSpacing: { 1: 0, true: 0 },
});
const mono = createFont({
  family: "'Atkinson Hyperlegible Mono', 'DejaVu Sans Mono', monospace",
  size: sizes,
  lineHeight: lines,
  weight: weights,
  letterSpacing: { 1: 0, true: 0 },
});

export const config = createTamagui({
  tokens,
  themes: PALETTES,
  fonts: { body: next, mono },
  shorthands: {},
  media: {
    wide: { minWidth: 1000 },
    medium: { minWidth: 600 },
    twoSides: { minWidth: 760 },
    threeSides: { minWidth: 1100 },
  },
  settings: { allowedStyleValues: false, styleCompat: 'react-native', defaultFont: 'body' },
});

type Configured = typeof config;
declare module '@tamagui/core' {
  // Tamagui learns our tokens by this merging of declarations.
  interface TamaguiCustomConfig extends Configured {}
}
