import type { SketchValue } from '@ant-trail/core/log';
import { isSketch, questionAtPath, type SheetState } from '@ant-trail/core/sheet';
import { sketchToSvg } from '@ant-trail/core/sketch';
import { MARK, markPercent } from '@ant-trail/core/trades/mark';
import type { ReactNode } from 'react';
import { KeptPicture } from '@/features/media/kept-picture.tsx';
import type { Said } from './part.ts';

interface Props {
  readonly sketch: SketchValue;
  /** What the drawing is, for whoever does not see it. */
  readonly name: string;
  /** So many times as wide as its place: it is moved under the finger then. */
  readonly wide?: number;
  /** Where it was touched, from its upper left, 0 to 1; null where a touch means nothing. */
  readonly onTouch: ((x: number, y: number) => void) | null;
  /** Pins, each at its own share of the drawing. */
  readonly children: ReactNode;
}

/** A sketch with its picture underneath, and pins on it. */
export function SketchWithPins({ sketch, name, wide = 1, onTouch, children }: Props) {
  const drawn = `data:image/svg+xml;utf8,${encodeURIComponent(sketchToSvg(sketch))}`;
  return (
    <div style={{ overflow: 'auto', maxWidth: 520, maxHeight: 560 }}>
      <div
        style={{
          position: 'relative',
          width: `${wide * 100}%`,
          aspectRatio: `1 / ${sketch.height}`,
          background: 'white',
          cursor: onTouch ? 'crosshair' : 'default',
        }}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          onTouch?.((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
        }}
      >
        <div role="img" aria-label={name} style={{ position: 'absolute', inset: 0 }}>
          {sketch.under ? (
            <div style={{ position: 'absolute', inset: 0, overflow: 'hidden' }}>
              <KeptPicture sha256={sketch.under.sha256} alt="" cover />
            </div>
          ) : null}
          <img src={drawn} alt="" style={{ position: 'absolute', inset: 0, width: '100%' }} />
        </div>
        {children}
      </div>
    </div>
  );
}

/** The sketch a question has for its answer; null where nobody drew one. */
export function sketchAt(state: SheetState, path: string): SketchValue | null {
  const value = questionAtPath(state, path)?.answer?.value;
  return isSketch(value) ? value : null;
}

/** What is said of a row that was touched on a sketch; with the sketch’s name where it has one. */
export const saidForMark = (row: string, x: number, y: number, sketch = ''): readonly Said[] => [
  { path: `${row}/${MARK.x}`, value: markPercent(x), unit: '%' },
  { path: `${row}/${MARK.y}`, value: markPercent(y), unit: '%' },
  ...(sketch === '' ? [] : [{ path: `${row}/${MARK.on}`, value: sketch }]),
];
