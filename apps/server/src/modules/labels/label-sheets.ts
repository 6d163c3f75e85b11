import { buffer } from 'node:stream/consumers';
import { setImmediate as breathe } from 'node:timers/promises';
import type { LabelOrder } from '@ant-trail/contract/labels';
import { sayTagNumber, tagCode } from '@ant-trail/core/tags';
import PDFDocument from 'pdfkit';
import { INK, QUIET, type Face } from '../../paper/paper.ts';
import { drawQrCode } from '../../paper/qr-code.ts';
import { TypeSetter, type Line } from '../../paper/type-setter.ts';

/** A label as it is printed. */
export interface PrintedLabel {
  readonly id: string;
  readonly number: string;
  /** The thing it is for, and where that stands; empty on a loose one. */
  readonly name: string;
  readonly place: string;
}

const POINTS_PER_MM = 72 / 25.4;
const PADDING_MM = 1;
const PAPERS = { A4: 'A4', Letter: 'LETTER' } as const;

type Sheet = Pick<LabelOrder, 'grid' | 'first' | 'shift'>;

/** Draws labels onto sheets of labels, from one of the first sheet’s on. */
export async function drawLabels(
  labels: readonly PrintedLabel[],
  { grid, first, shift }: Sheet,
  organisation: string,
): Promise<Buffer> {
  const paper = new PDFDocument({
    ...{ size: PAPERS[grid.paper], margin: 0, autoFirstPage: false, pdfVersion: '1.7' },
    ...{ lang: 'en', displayTitle: true },
    info: { Title: 'Labels', Author: organisation, Creator: 'Ant Trail' },
  });
  const whole = buffer(paper);
  const setter = new TypeSetter(paper);
  const each = grid.columns * grid.rows;
  for (const [index, label] of labels.entries()) {
    const at = index + first - 1;
    if (index === 0 || at % each === 0) {
      paper.addPage();
      // Others have their turn between two pages.
      await breathe();
    }
    const place = at % each;
    const left = grid.left + (place % grid.columns) * (grid.width + grid.gapX) + shift.x;
    const top = grid.top + Math.floor(place / grid.columns) * (grid.height + grid.gapY) + shift.y;
    drawLabel(paper, setter, label, {
      ...{ x: left * POINTS_PER_MM, y: top * POINTS_PER_MM },
      ...{ width: grid.width * POINTS_PER_MM, height: grid.height * POINTS_PER_MM },
    });
  }
  paper.end();
  return whole;
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The code on the left, or above on a label that stands upright; number and name beside it. */
function drawLabel(
  paper: PDFKit.PDFDocument,
  setter: TypeSetter,
  { id, number, name, place }: PrintedLabel,
  box: Box,
): void {
  const padding = PADDING_MM * POINTS_PER_MM;
  const upright = box.height > box.width;
  const textHeight = 30;
  const side = upright
    ? Math.min(box.width, box.height - textHeight) - 2 * padding
    : Math.min(box.height, box.width * 0.6) - 2 * padding;
  const codeAt = {
    x: upright ? box.x + (box.width - side) / 2 : box.x + padding,
    y: upright ? box.y + padding : box.y + (box.height - side) / 2,
  };
  drawQrCode(paper, tagCode(id), { ...codeAt, side, level: 'M' });
  const text: Box = upright
    ? {
        x: box.x + padding,
        y: box.y + padding + side,
        width: box.width - 2 * padding,
        height: textHeight,
      }
    : {
        x: codeAt.x + side + padding / 2,
        y: box.y + padding,
        width: box.width - side - 2.5 * padding,
        height: box.height - 2 * padding,
      };
  paper.save();
  paper.rect(box.x, box.y, box.width, box.height).clip();
  const lines = [
    ...written(setter, sayTagNumber(number), 'mono', text, { size: 1, most: 1 }),
    ...written(setter, name, 'bold', text, { size: 0.75, most: 2 }),
    ...written(setter, place, 'text', text, { size: 0.65, most: 2, color: QUIET }),
  ];
  const height = lines.reduce((sum, line) => sum + line.height, 0);
  let y = text.y + Math.max(0, (text.height - height) / 2);
  for (const line of lines) {
    drawLine(paper, setter, line, text.x, y);
    y += line.height;
  }
  paper.restore();
}

interface WrittenLine {
  readonly line: Line;
  readonly size: number;
  readonly height: number;
  readonly color: string;
}

interface LineStyle {
  /** Beside the size of the number, which fills the width. */
  readonly size: number;
  readonly most: number;
  readonly color?: string;
}

/** A number of eight digits with a gap fills a line of this many times its size. */
const NUMBER_WIDTH = 5.7;

function written(
  setter: TypeSetter,
  words: string,
  face: Face,
  { width }: Box,
  { size: part, most, color = INK }: LineStyle,
): WrittenLine[] {
  if (words === '') return [];
  const size = Math.min(13, width / NUMBER_WIDTH) * part;
  const height = setter.heightOfLine(face, size);
  return setter
    .lines(words, width, face, size)
    .slice(0, most)
    .map((line) => ({ line, size, height, color }));
}

function drawLine(
  paper: PDFKit.PDFDocument,
  setter: TypeSetter,
  { line, size, color }: WrittenLine,
  x: number,
  y: number,
): void {
  let at = x;
  for (const run of line.runs) {
    setter.use(run.font);
    paper
      .fontSize(size)
      .fillColor(color)
      .text(run.text, at, y, { lineBreak: false, ...run.options });
    at += run.width;
  }
}
