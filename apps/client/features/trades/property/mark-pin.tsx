import type { SketchPlace } from '@ant-trail/core/trades/mark';
import type { Condition } from '@ant-trail/core/trades/property';
import { ON_PAPER, pinAt } from '../pin.ts';

const SIZE = 30;

type Props = Pick<Condition, 'number' | 'urgency'> & { readonly mark: SketchPlace };

/** The number of something to be put right, where it is: what can't wait is filled. */
export function MarkPin({ number, urgency, mark }: Props) {
  const isNow = urgency === 'now';
  return (
    <div
      style={{
        ...pinAt(mark, SIZE),
        borderRadius: '4px 50% 50% 50%',
        border: `2px solid ${ON_PAPER.clay}`,
        background: isNow ? ON_PAPER.clay : ON_PAPER.sheet,
        color: isNow ? ON_PAPER.sheet : ON_PAPER.clay,
        pointerEvents: 'none',
      }}
    >
      {number}
    </div>
  );
}
