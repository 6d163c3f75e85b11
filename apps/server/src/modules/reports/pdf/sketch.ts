import type { Shape, SketchValue } from '@ant-trail/core/log';
import { arrowHead, freePath, SKETCH_WIDTH, symbolLetter } from '@ant-trail/core/sketch';
import { INK, QUIET, type Paper } from '../../../paper/paper.ts';

const WIDTH = 300;
const TEXT = 36;

interface Named {
  readonly key: string;
  readonly label: string;
}

/** Where shapes are drawn: the corner and the width of their unit box, and their colour. */
export interface Ground {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly ink: string;
  /** Width of the lines, in thousandths of the box. */
  readonly line?: number;
}

/** Draws shapes as vectors. */
export function drawShapes(
  paper: Paper,
  shapes: readonly Shape[],
  symbols: readonly Named[],
  { x: left, y: top, width, ink, line = 5 }: Ground,
): void {
  const at = ([x, y]: readonly [number, number]): [number, number] => [
    x * SKETCH_WIDTH,
    y * SKETCH_WIDTH,
  ];
  const { document } = paper;
  document
    .save()
    .translate(left, top)
    .scale(width / SKETCH_WIDTH);
  document.lineWidth(line).strokeColor(ink).fillColor(ink).lineCap('round').lineJoin('round');
  for (const shape of shapes)
    switch (shape.kind) {
      case 'free':
        document.path(freePath(shape.points)).stroke();
        break;
      case 'line':
        document.path(freePath([shape.from, shape.to])).stroke();
        break;
      case 'arrow':
        document
          .path(`${freePath([shape.from, shape.to])} ${arrowHead(shape.from, shape.to)}`)
          .stroke();
        break;
      case 'circle':
        document.circle(...at(shape.at), shape.radius * SKETCH_WIDTH).stroke();
        break;
      case 'text': {
        // What SVG sets on a line, a PDF sets under one.
        const [x, y] = at(shape.at);
        paper.put(shape.words, x, y - TEXT, { size: TEXT, color: ink });
        break;
      }
      case 'symbol': {
        const [x, y] = at(shape.at);
        document.roundedRect(x - 22, y - 22, 44, 44, 10).stroke();
        const letter = symbolLetter(symbols, shape.symbol);
        paper.put(letter, x - 11, y - 18, { face: 'bold', size: 34, color: ink });
      }
    }
  document.restore();
}

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
