import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const bytesOf = (file: string): Buffer => readFileSync(require.resolve(file));
const own = (family: string, weight: number): Buffer =>
  bytesOf(
    `@fontsource/atkinson-hyperlegible-${family}/files/atkinson-hyperlegible-${family}-latin-${weight}-normal.woff`,
  );

/** The faces a report is written in. */
export const FACES = {
  text: () => own('next', 400),
  bold: () => own('next', 600),
  mono: () => own('mono', 400),
} as const;
export type Face = keyof typeof FACES;

/**
 * Faces for what ours have no drawing for, in the order they are asked: Greek, Cyrillic, Arabic,
 * Hebrew and signs such as ≤ and Ω; Chinese; emoji. Each is read when it is first needed.
 */
export const FALLBACKS = {
  signs: () => bytesOf('dejavu-fonts-ttf/ttf/DejaVuSans.ttf'),
  chinese: () =>
    bytesOf('@fontsource/noto-sans-sc/files/noto-sans-sc-chinese-simplified-400-normal.woff'),
  emoji: () => bytesOf('@fontsource/noto-emoji/files/noto-emoji-emoji-400-normal.woff'),
} as const;
export type Fallback = keyof typeof FALLBACKS;
