import type { SketchValue } from '@ant-trail/core/log';
import { symbolLetter } from '@ant-trail/core/sketch';
import { QUIET, type Paper } from '../../../paper/paper.ts';
import type { Named } from '../../../paper/shapes.ts';
import { drawSketchAt, type Pictures } from '../../../paper/sketch.ts';

const WIDTH = 300;

/** Draws a sketch as vectors over its picture, its legend of symbols under it. */
export function drawSketch(
  paper: Paper,
  sketch: SketchValue,
  symbols: readonly Named[],
  name: string,
  pictures: Pictures,
): void {
  const height = sketch.height * WIDTH;
  paper.need(height + 30);
  const top = paper.y + 8;
  paper.figure(`Sketch: ${name}`, () =>
    drawSketchAt(paper, sketch, symbols, { x: paper.left, y: top, width: WIDTH }, pictures),
  );
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
