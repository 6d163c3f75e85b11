import { useTheme } from '@tamagui/core';
import type { Condition } from '@ant-trail/core/trades/property';

const SIZE = 30;

type Props = Pick<Condition, 'number' | 'urgency'> & { readonly mark: { x: number; y: number } };

/** The number of something to be put right, where it is: what can't wait is filled. */
export function MarkPin({ number, urgency, mark }: Props) {
  const theme = useTheme();
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
        border: `2px solid ${theme.clay.get()}`,
        background: isNow ? theme.clay.get() : theme.sheet.get(),
        color: isNow ? theme.sheet.get() : theme.clay.get(),
        fontWeight: 700,
        textAlign: 'center',
        pointerEvents: 'none',
      }}
    >
      {number}
    </div>
  );
}
