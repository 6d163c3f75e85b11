import { isSketch, questionAtPath, type SheetState } from '@ant-trail/core/sheet';
import type { SketchPlace } from '@ant-trail/core/trades/mark';
import { CLAY, type Paper } from '../../paper/paper.ts';
import { drawSketchAt, type Pictures } from '../../paper/sketch.ts';

const WIDE = 360;

/** A number on a sketch; filled where it matters most. */
export interface Pin {
  readonly number: number;
  readonly mark: SketchPlace | null;
  readonly isFilled: boolean;
}

/** How much room it takes, for a heading that is not to stand without it. */
export function roomForSketch(state: SheetState, path: string): number {
  const sketch = questionAtPath(state, path)?.answer?.value;
  return isSketch(sketch) ? sketch.height * WIDE + 20 : 0;
}

/** The sketch of a sheet, with its picture, and numbers on it; nothing where none of them is placed. */
export function drawSketchWithPins(
  paper: Paper,
  state: SheetState,
  at: { readonly path: string; readonly words: string; readonly pin: number },
  pins: readonly Pin[],
  pictures: Pictures,
): void {
  const marked = pins.flatMap(({ mark, ...pin }) => (mark ? [{ ...pin, mark }] : []));
  const sketch = questionAtPath(state, at.path)?.answer?.value;
  if (!isSketch(sketch) || marked.length === 0) return;
  const height = sketch.height * WIDE;
  paper.need(height + 20);
  const [left, top] = [paper.left, paper.y + 6];
  paper.figure(`${at.words}: ${marked.map(({ number }) => number).join(', ')}.`, () => {
    const { document } = paper;
    drawSketchAt(paper, sketch, [], { x: left, y: top, width: WIDE }, pictures);
    for (const { number, mark, isFilled } of marked) {
      const [x, y] = [left + mark.x * WIDE, top + mark.y * height];
      document.lineWidth(1.2).circle(x, y, at.pin);
      if (isFilled) document.fillAndStroke(CLAY, CLAY);
      else document.fillAndStroke('#FFFFFF', CLAY);
      const words = String(number);
      const size = at.pin * (words.length > 2 ? 0.9 : 1.1);
      paper.put(words, x - words.length * size * 0.3, y - size * 0.65, {
        ...{ face: 'bold', size, color: isFilled ? '#FFFFFF' : CLAY },
      });
    }
  });
  paper.y = top + height + 8;
}
