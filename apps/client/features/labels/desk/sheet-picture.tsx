import type { LabelGrid } from '@ant-trail/contract/labels';
import { useTheme } from '@tamagui/core';
import { useState, type KeyboardEvent } from 'react';

const PAPERS = { A4: [210, 297], Letter: [215.9, 279.4] } as const;
const WIDTH = 190;
const MOST_DRAWN = 400;

export interface SheetPictureProps {
  readonly grid: LabelGrid;
  readonly first: number;
  readonly count: number;
  readonly onFirst: (label: number) => void;
}

/** The first sheet as it will look: which labels are used up, which are printed. Tapped, or gone through by arrows. */
export function SheetPicture({ grid, first, count, onFirst }: SheetPictureProps) {
  const theme = useTheme();
  const [focused, setFocused] = useState(false);
  const [wide, high] = PAPERS[grid.paper];
  const { columns, rows, width, height, left, top, gapX, gapY } = grid;
  const each = columns * rows;
  const isDrawn =
    each >= 1 &&
    each <= MOST_DRAWN &&
    [width, height, left, top, gapX, gapY].every(Number.isFinite);
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps: Record<string, number> = {
      ...{ ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns },
    };
    const step = steps[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onFirst(Math.min(each, Math.max(1, first + step)));
  };
  return (
    <svg
      width={WIDTH}
      height={(WIDTH * high) / wide}
      viewBox={`0 0 ${wide} ${high}`}
      role="slider"
      aria-label="First label that is printed"
      aria-valuemin={1}
      aria-valuemax={Math.max(1, each)}
      aria-valuenow={first}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      style={{ background: '#ffffff', border: `1px solid ${theme.sand.get()}` }}
    >
      {isDrawn
        ? Array.from({ length: each }, (_, index) => {
            const place = index + 1;
            const isPrinted = place >= first && place < first + count;
            return (
              <rect
                key={place}
                x={left + (index % columns) * (width + gapX)}
                y={top + Math.floor(index / columns) * (height + gapY)}
                width={width}
                height={height}
                rx={2}
                fill={isPrinted ? '#231C15' : '#ffffff'}
                stroke={place === first && focused ? '#1E5A72' : '#8a7f70'}
                strokeWidth={place === first && focused ? 3 : 0.8}
                style={{ cursor: 'pointer' }}
                onClick={() => onFirst(place)}
              />
            );
          })
        : null}
    </svg>
  );
}
