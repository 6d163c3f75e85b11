import type { Shape, SketchValue } from '../log/index.ts';

/** How wide the drawing is in its own units; a unit box 1 wide is drawn this large. */
export const SKETCH_WIDTH = 1000;
const INK = '#231C15';
const LINE = 5;
const TEXT = 36;

interface Symbol {
  readonly key: string;
  readonly label: string;
}

const px = (part: number): number => Math.round(part * SKETCH_WIDTH * 10) / 10;

const escape = (words: string): string =>
  words.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The letter a symbol is drawn with: its place in the legend. */
export const symbolLetter = (symbols: readonly Symbol[], key: string): string =>
  String.fromCharCode(
    65 +
      Math.max(
        0,
        symbols.findIndex((symbol) => symbol.key === key),
      ),
  );

/** The path of a line drawn by hand. */
export const freePath = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${px(x)} ${px(y)}`).join(' ');

/** The two short lines of an arrow's head, as a path. */
export function arrowHead(
  [fromX, fromY]: readonly [number, number],
  [toX, toY]: readonly [number, number],
): string {
  const angle = Math.atan2(toY - fromY, toX - fromX);
  const side = (turn: number): string =>
    `${px(toX - 0.03 * Math.cos(angle + turn))} ${px(toY - 0.03 * Math.sin(angle + turn))}`;
  return `M${side(0.5)} L${px(toX)} ${px(toY)} L${side(-0.5)}`;
}

function draw(shape: Shape, symbols: readonly Symbol[], ink: string, width: number): string {
  const line = `fill="none" stroke="${ink}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"`;
  switch (shape.kind) {
    case 'free':
      return `<path d="${freePath(shape.points)}" ${line}/>`;
    case 'line':
      return `<path d="${freePath([shape.from, shape.to])}" ${line}/>`;
    case 'arrow':
      return `<path d="${freePath([shape.from, shape.to])} ${arrowHead(shape.from, shape.to)}" ${line}/>`;
    case 'circle':
      return `<circle cx="${px(shape.at[0])}" cy="${px(shape.at[1])}" r="${px(shape.radius)}" ${line}/>`;
    case 'text':
      return `<text x="${px(shape.at[0])}" y="${px(shape.at[1])}" font-size="${TEXT}" fill="${ink}">${escape(shape.words)}</text>`;
    case 'symbol': {
      const [x, y] = [px(shape.at[0]), px(shape.at[1])];
      const letter = symbolLetter(symbols, shape.symbol);
      return `<rect x="${x - 22}" y="${y - 22}" width="44" height="44" rx="10" fill="#FFFCF5" stroke="${ink}" stroke-width="4"/><text x="${x}" y="${y + 12}" font-size="34" text-anchor="middle" fill="${ink}">${letter}</text>`;
    }
  }
}

/** What is drawn, without the paper around it: for laying over a picture. `width` is that of its lines. */
export const shapesToSvg = (
  shapes: readonly Shape[],
  symbols: readonly Symbol[] = [],
  ink: string = INK,
  width: number = LINE,
): string => shapes.map((shape) => draw(shape, symbols, ink, width)).join('');

/**
 * A sketch as an SVG document of its own, 1000 units wide. `under` is the address of the picture
 * that lies underneath, where there is one.
 */
export function sketchToSvg(
  sketch: SketchValue,
  symbols: readonly Symbol[] = [],
  under?: string,
): string {
  const height = px(sketch.height);
  const picture =
    under === undefined
      ? ''
      : `<image href="${escape(under)}" width="${SKETCH_WIDTH}" height="${height}" preserveAspectRatio="xMidYMid slice"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SKETCH_WIDTH} ${height}" font-family="sans-serif">${picture}${shapesToSvg(sketch.shapes, symbols)}</svg>`;
}
