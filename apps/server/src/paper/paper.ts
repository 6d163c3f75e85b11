import PDFDocument from 'pdfkit';
import type { Face } from './faces.ts';
import { TypeSetter, type Line } from './type-setter.ts';

export type { Face } from './faces.ts';

/** Colours of the report: ink on white paper, clay for what needs eyes. */
export const INK = '#231C15';
export const QUIET = '#5A4F43';
export const RULE = '#DCD2BF';
export const CLAY = '#A8401F';
export const CLAY_GROUND = '#F8E3D8';
export const MOSS = '#CFD8BF';
export const TRAIL = '#8A5A2B';
export const SUN = '#E9AE2C';
export const LAKE = '#1E5A72';

export type Tag = 'H1' | 'H2' | 'H3' | 'P' | 'Figure' | 'Caption';

export interface Style {
  readonly face?: Face;
  readonly size?: number;
  readonly color?: string;
  readonly tag?: Tag;
  readonly width?: number;
}

const MARGIN = 50;
const BOTTOM = 62;

/** A sheet of paper to write on from top to bottom, tagged for people who hear it read aloud. */
export class Paper {
  readonly document: PDFKit.PDFDocument;
  readonly left = MARGIN;
  private readonly root: PDFKit.PDFStructureElement;
  private readonly setter: TypeSetter;
  private layout: 'portrait' | 'landscape' = 'portrait';

  constructor(title: string, author: string) {
    this.document = new PDFDocument({
      size: 'A4',
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: BOTTOM },
      bufferPages: true,
      tagged: true,
      lang: 'en',
      displayTitle: true,
      pdfVersion: '1.7',
      info: { Title: title, Author: author, Creator: 'Ant Trail' },
    });
    this.setter = new TypeSetter(this.document);
    this.root = this.document.struct('Document');
    this.document.addStructure(this.root);
  }

  /** How wide there is to write on this page. */
  get width(): number {
    return this.document.page.width - 2 * MARGIN;
  }

  get y(): number {
    return this.document.y;
  }
  set y(value: number) {
    this.document.y = value;
  }

  /** How much room is left on this page, in points. */
  get room(): number {
    return this.document.page.height - BOTTOM - this.document.y;
  }

  /** Begins a new page when less than this is left. */
  need(height: number): void {
    if (this.room < height) this.document.addPage({ layout: this.layout });
  }

  /** Goes on on a page laid this way, and keeps to it: wide tables need the long side. */
  lay(layout: 'portrait' | 'landscape'): void {
    if (layout === this.layout) return;
    this.layout = layout;
    this.document.addPage({ layout });
  }

  space(height: number): void {
    this.document.y += height;
  }

  /** Writes and moves on; what does not fit on this page goes on on the next. */
  text(words: string, x = this.left, style: Style = {}): void {
    const { face = 'text', size = 10.5, color = INK, tag = 'P' } = style;
    const width = style.width ?? this.width - (x - this.left);
    const lines = this.setter.lines(words, width, face, size);
    const height = this.setter.heightOfLine(face, size);
    this.tagged(tag, () => {
      for (const line of lines) {
        this.need(height);
        this.drawLine(line, x, this.document.y, { width, size, color });
        this.document.y += height;
      }
    });
  }

  /** Writes at a place of the same line without moving on; gives the height it took. */
  beside(words: string, x: number, y: number, style: Style & { width: number }): number {
    let height = 0;
    this.tagged(style.tag ?? 'P', () => {
      height = this.box(words, x, y, style);
    });
    return height;
  }

  /** Puts words on one line at a place, inside what is being drawn. */
  put(
    words: string,
    x: number,
    y: number,
    { face = 'text', size = 10.5, color = INK }: Style,
  ): void {
    const width = Number.POSITIVE_INFINITY;
    const [line] = this.setter.lines(words, width, face, size);
    if (line) this.drawLine({ ...line, isRightToLeft: false }, x, y, { width, size, color });
  }

  heightOf(words: string, width: number, size = 10.5, face: Face = 'text'): number {
    return (
      this.setter.lines(words, width, face, size).length * this.setter.heightOfLine(face, size)
    );
  }

  /** The most that fits on one page below its head. */
  get pageHeight(): number {
    return this.document.page.height - MARGIN - BOTTOM;
  }

  private drawLine(
    { runs, width: used, isRightToLeft }: Line,
    x: number,
    y: number,
    { width, size, color }: { width: number; size: number; color: string },
  ): void {
    let at = isRightToLeft ? x + width - used : x;
    for (const run of runs) {
      this.setter.use(run.font);
      this.document
        .fontSize(size)
        .fillColor(color)
        .text(run.text, at, y, { lineBreak: false, ...run.options });
      at += run.width;
    }
  }

  /** A table for whoever hears it read aloud, row by row; `end` says that there are no more. */
  table(): {
    readonly row: (kind: 'TH' | 'TD', cells: readonly (() => void)[]) => void;
    readonly end: () => void;
  } {
    const table = this.document.struct('Table');
    this.root.add(table);
    return {
      row: (kind, cells) => {
        const row = this.document.struct('TR');
        table.add(row);
        for (const cell of cells) row.add(this.document.struct(kind, {}, cell));
        row.end();
      },
      end: () => table.end(),
    };
  }

  /** Words in a box of their own, inside what is being drawn; gives the height they took. */
  box(words: string, x: number, y: number, style: Style & { width: number }): number {
    const { face = 'text', size = 10.5, color = INK, width } = style;
    const before = this.document.y;
    const height = this.setter.heightOfLine(face, size);
    const lines = this.setter.lines(words, width, face, size);
    lines.forEach((line, index) =>
      this.drawLine(line, x, y + index * height, { width, size, color }),
    );
    this.document.y = before;
    return lines.length * height;
  }

  figure(alt: string, draw: () => void): void {
    this.tagged('Figure', draw, alt);
  }

  /** Decoration: nothing for a reader that reads aloud. */
  ornament(draw: () => void): void {
    this.document.markContent('Artifact', { type: 'Layout' });
    draw();
    this.document.endMarkedContent();
  }

  /** The trail: dots one after the other, the one ornament. */
  trail(width = this.width): void {
    const y = this.document.y;
    this.ornament(() => {
      this.document.fillColor(TRAIL);
      for (let x = this.left + 1.5; x < this.left + width; x += 7)
        this.document.circle(x, y, 1.3).fill();
    });
    this.space(8);
  }

  rule(): void {
    const y = this.document.y;
    this.ornament(() => {
      this.document
        .moveTo(this.left, y)
        .lineTo(this.left + this.width, y)
        .lineWidth(0.6)
        .strokeColor(RULE)
        .stroke();
    });
  }

  /** The diamond: needs eyes. */
  diamond(x: number, y: number, size = 4): void {
    this.ornament(() => {
      this.document.polygon([x, y - size], [x + size, y], [x, y + size], [x - size, y]).fill(CLAY);
    });
  }

  /** Writes the foot of every page, once all pages are known. */
  number(foot: string): void {
    const { start, count } = this.document.bufferedPageRange();
    for (let page = start; page < start + count; page++) {
      this.document.switchToPage(page);
      const y = this.document.page.height - 40;
      const margin = this.document.page.margins.bottom;
      this.document.page.margins.bottom = 0;
      this.ornament(() => {
        const style = { width: this.width - 90, size: 8.5, color: QUIET };
        const [line] = this.setter.lines(foot, style.width, 'text', style.size);
        if (line) this.drawLine(line, this.left, y, style);
        const [number] = this.setter.lines(
          `page ${page - start + 1} of ${count}`,
          this.width,
          'text',
          style.size,
        );
        if (number) this.drawLine(number, this.left + this.width - number.width, y, style);
      });
      this.document.page.margins.bottom = margin;
    }
  }

  end(): Promise<Buffer> {
    return new Promise((resolve, reject) => {
      const chunks: Buffer[] = [];
      this.document.on('data', (chunk: Buffer) => chunks.push(chunk));
      this.document.on('end', () => resolve(Buffer.concat(chunks)));
      this.document.on('error', reject);
      this.root.end();
      this.document.end();
    });
  }

  private tagged(tag: Tag, draw: () => void, alt?: string): void {
    this.root.add(this.document.struct(tag, alt === undefined ? {} : { alt }, draw));
  }
}
