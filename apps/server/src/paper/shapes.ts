import type { Shape } from '@ant-trail/core/log';
import { arrowHead, freePath, SKETCH_WIDTH, symbolLetter } from '@ant-trail/core/sketch';
import type { Paper } from './paper.ts';

const TEXT = 36;

/** A symbol of a sketch. */
export interface Named {
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
