import type { SketchValue } from '@ant-trail/core/log';
import { symbolLetter } from '@ant-trail/core/sketch';
import { INK, QUIET, type Paper } from '../../../paper/paper.ts';
import { drawShapes, type Named } from '../../../paper/shapes.ts';

const WIDTH = 300;

/** Draws a sketch as vectors over its picture, its legend of symbols under it. */
export function drawSketch(
  paper: Paper,
  sketch: SketchValue,
  symbols: readonly Named[],
  name: string,
  under: Uint8Array | undefined,
): void {
  const height = sketch.height * WIDTH;
  paper.need(height + 30);
  const top = paper.y + 8;
  paper.figure(`Sketch: ${name}`, () => {
    const { document, left } = paper;
    if (under) {
      document.save().rect(left, top, WIDTH, height).clip();
      document
        .image(Buffer.from(under), left, top, {
          cover: [WIDTH, height],
          align: 'center',
          valign: 'center',
        })
        .restore();
    }
    drawShapes(paper, sketch.shapes, symbols, { x: left, y: top, width: WIDTH, ink: INK });
  });
  paper.y = top + height + 4;
  const used = symbols.filter(({ key }) =>
    sketch.shapes.some((shape) => shape.kind === 'symbol' && shape.symbol === key),
  );
  if (used.length > 0)
    paper.text(
      used.map(({ key, label }) => `${symbolLetter(symbols, key)} ${label}`).join(', '),
      paper.left,
      { size: 9, color: QUIET },
    );
  paper.space(6);
  paper.rule();
}
