import { PALETTES } from '@/design/palettes.ts';
import type { Condition } from '@ant-trail/core/trades/property';

const SIZE = 30;
/** A sketch is drawn on white whatever the theme, and so is what lies on it. */
const PAPER = PALETTES.light;

type Props = Pick<Condition, 'number' | 'urgency'> & { readonly mark: { x: number; y: number } };

/** The number of something to be put right, where it is: what can't wait is filled. */
export function MarkPin({ number, urgency, mark }: Props) {
  const isNow = urgency === 'now';
  return (
    <div
      style={{
        position: 'absolute',
        left: `calc(${mark.x * 100}% - ${SIZE / 2}px)`,
        top: `calc(${mark.y * 100}% - ${SIZE / 2}px)`,
        width: SIZE,
        height: SIZE,
        lineHeight: `${SIZE - 4}px`,
        boxSizing: 'border-box',
        borderRadius: '4px 50% 50% 50%',
        border: `2px solid ${PAPER.clay}`,
        background: isNow ? PAPER.clay : PAPER.sheet,
        color: isNow ? PAPER.sheet : PAPER.clay,
        fontWeight: 700,
        textAlign: 'center',
        pointerEvents: 'none',
      }}
    >
      {number}
    </div>
  );
}
