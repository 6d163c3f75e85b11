import type { SketchValue } from '@ant-trail/core/log';
import { INK, type Paper } from './paper.ts';
import { drawShapes, type Named } from './shapes.ts';

/** Pictures of a sheet as paper takes them, by their hashes. */
export type Pictures = Readonly<Record<string, Uint8Array>>;

/** Where a sketch is drawn, and how wide. */
export interface SketchGround {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** Draws a sketch as vectors over the picture that lies underneath. Gives its height. */
export function drawSketchAt(
  paper: Paper,
  { shapes, under, height: ratio }: SketchValue,
  symbols: readonly Named[],
  { x, y, width }: SketchGround,
  pictures: Pictures,
): number {
  const height = ratio * width;
  const picture = under && pictures[under.sha256];
  const { document } = paper;
  if (picture) {
    document.save().rect(x, y, width, height).clip();
    document
      .image(Buffer.from(picture), x, y, {
        ...{ cover: [width, height], align: 'center', valign: 'center' },
      })
      .restore();
  }
  drawShapes(paper, shapes, symbols, { x, y, width, ink: INK });
  return height;
}
