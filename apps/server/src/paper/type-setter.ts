import bidiFactory from 'bidi-js';
import { FACES, FALLBACKS, type Face, type Fallback } from './faces.ts';

type FontName = Face | Fallback;

/** A stretch of a line in one font and one direction. */
interface Run {
  readonly text: string;
  readonly font: FontName;
  readonly width: number;
  /** How it is to be laid out; see {@link WHOLE}. */
  readonly options: { readonly features?: PDFKit.Mixins.OpenTypeFeatures[] };
}

/** One line, its runs in the order they are seen from left to right. */
export interface Line {
  readonly runs: readonly Run[];
  readonly width: number;
  /** Whether it is read from right to left. */
  readonly isRightToLeft: boolean;
}

/**
 * pdfkit lays text out word by word from left to right, unless features are asked for: then as one,
 * which is what a script that is read the other way round needs.
 */
const WHOLE: Run['options'] = { features: ['kern'] };
const BY_WORD: Run['options'] = {};

const bidi = bidiFactory();

/** Where a line may end: after blanks, after hyphens, and around each sign of a script without blanks. */
const PIECES =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]|\s+|[^\s\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}-]+-?|-/gu;

/** Signs that say how others are drawn, and have no drawing of their own. */
const UNSEEN = /[\u200b-\u200f\u2060\ufe00-\ufe0f\u{e0100}-\u{e01ef}]/u;

interface FontkitFont {
  hasGlyphForCodePoint(code: number): boolean;
}

/**
 * Breaks text into lines of a width, with a font for every sign there is one for, and in the order
 * each script is read. A word longer than a line is broken anywhere.
 */
export class TypeSetter {
  private readonly opened = new Set<FontName>();
  private readonly has = new Map<FontName, Map<number, boolean>>();

  constructor(private readonly document: PDFKit.PDFDocument) {}

  /** The font is there, and chosen. */
  use(name: FontName): void {
    if (!this.opened.has(name)) {
      const load = name in FACES ? FACES[name as Face] : FALLBACKS[name as Fallback];
      this.document.registerFont(name, load());
      this.opened.add(name);
    }
    this.document.font(name);
  }

  lines(text: string, width: number, face: Face, size: number): Line[] {
    return text.split(/\r?\n/).flatMap((paragraph) => this.paragraph(paragraph, width, face, size));
  }

  heightOfLine(face: Face, size: number): number {
    this.use(face);
    return this.document.fontSize(size).currentLineHeight(true);
  }

  private paragraph(text: string, width: number, face: Face, size: number): Line[] {
    const lines: string[] = [];
    let line = '';
    let used = 0;
    const end = (): void => {
      lines.push(line.trimEnd());
      line = '';
      used = 0;
    };
    for (const [piece] of text.matchAll(PIECES)) {
      const room = this.widthOf(piece, face, size);
      if (used > 0 && piece.trim() !== '' && used + room > width) end();
      if (room <= width || piece.trim() === '') {
        if (line === '' && piece.trim() === '') continue;
        line += piece;
        used += room;
        continue;
      }
      for (const part of this.broken(piece, width, face, size)) {
        if (used > 0) end();
        line = part;
        used = this.widthOf(part, face, size);
      }
    }
    if (line !== '' || lines.length === 0) end();
    return lines.map((each) => this.arranged(each, face, size));
  }

  /** A word that is longer than a line, in parts that are not. */
  private broken(word: string, width: number, face: Face, size: number): string[] {
    const parts: string[] = [];
    let part = '';
    let used = 0;
    for (const sign of word) {
      const room = this.widthOf(sign, face, size);
      if (part !== '' && used + room > width) {
        parts.push(part);
        part = '';
        used = 0;
      }
      part += sign;
      used += room;
      // Signs beside each other may take more than each by itself.
      if (used > width * 0.8) used = this.widthOf(part, face, size);
    }
    return part === '' ? parts : [...parts, part];
  }

  private widthOf(text: string, face: Face, size: number): number {
    let width = 0;
    for (const { text: run, font } of this.byFont(text, face))
      width += this.measure(run, font, size);
    return width;
  }

  private measure(text: string, font: FontName, size: number, options = BY_WORD): number {
    this.use(font);
    return this.document.fontSize(size).widthOfString(text, options);
  }

  /** The runs of a line as they are seen, after the Unicode bidirectional algorithm (UAX 9). */
  private arranged(text: string, face: Face, size: number): Line {
    const { levels, paragraphs } = bidi.getEmbeddingLevels(text, 'auto');
    const runs: (Run & { readonly level: number })[] = [];
    let at = 0;
    while (at < text.length) {
      const level = levels[at] ?? 0;
      let end = at;
      while (end < text.length && (levels[end] ?? 0) === level) end++;
      const mirrored = level % 2 === 1 ? mirror(text.slice(at, end)) : text.slice(at, end);
      const stretch = this.byFont(mirrored, face);
      const options = level % 2 === 1 ? WHOLE : BY_WORD;
      const laid = stretch.map(({ text: run, font }) => ({
        ...{ text: run, font, level, options },
        width: this.measure(run, font, size, options),
      }));
      runs.push(...laid);
      at = end;
    }
    const highest = runs.reduce((most, { level }) => Math.max(most, level), 0);
    for (let level = highest; level >= 1; level--) reverseFrom(runs, level);
    return {
      runs,
      width: runs.reduce((sum, run) => sum + run.width, 0),
      isRightToLeft: (paragraphs[0]?.level ?? 0) % 2 === 1,
    };
  }

  /** Stretches that one font has drawings for; blanks and the like stay with what is before them. */
  private byFont(text: string, face: Face): { text: string; font: FontName }[] {
    const runs: { text: string; font: FontName }[] = [];
    for (const sign of text) {
      if (UNSEEN.test(sign)) continue;
      const last = runs.at(-1);
      const neutral = /[\s\p{P}]/u.test(sign);
      if (last?.font === 'signs' && neutral && this.draws(last.font, sign)) {
        last.text += sign;
        continue;
      }
      const font = this.fontFor(sign, face);
      if (last?.font === font) last.text += sign;
      else runs.push({ text: sign, font });
    }
    return runs;
  }

  private fontFor(sign: string, face: Face): FontName {
    if (this.draws(face, sign)) return face;
    const other = (Object.keys(FALLBACKS) as Fallback[]).find((each) => this.draws(each, sign));
    // No font has it: its own box tells that something stands here.
    return other ?? face;
  }

  private draws(font: FontName, sign: string): boolean {
    const code = sign.codePointAt(0) ?? 0;
    const known = this.has.get(font) ?? new Map<number, boolean>();
    this.has.set(font, known);
    const before = known.get(code);
    if (before !== undefined) return before;
    this.use(font);
    const { font: opened } = (this.document as unknown as { _font: { font: FontkitFont } })._font;
    const draws = opened.hasGlyphForCodePoint(code);
    known.set(code, draws);
    return draws;
  }
}

function mirror(text: string): string {
  return [...text].map((sign) => bidi.getMirroredCharacter(sign) ?? sign).join('');
}

/** Turns round every stretch of runs that lie at this level or deeper (rule L2). */
function reverseFrom(runs: { readonly level: number }[], level: number): void {
  for (let from = 0; from < runs.length; from++) {
    if ((runs[from]?.level ?? 0) < level) continue;
    let end = from;
    while (end < runs.length && (runs[end]?.level ?? 0) >= level) end++;
    runs.splice(from, end - from, ...runs.slice(from, end).reverse());
    from = end;
  }
}
