import { styled, useTheme, View } from '@tamagui/core';
import type { ReactNode } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { Row } from './box.tsx';
import { useOnePress } from './one-press.ts';
import { Body, Figure } from './text.tsx';

const Bar = styled(View, {
  render: 'button',
  flex: 1,
  flexDirection: 'row',
  alignItems: 'center',
  justifyContent: 'space-between',
  minHeight: 62,
  paddingHorizontal: '$5',
  backgroundColor: '$bark',
  borderTopLeftRadius: '$barSharp',
  borderTopRightRadius: '$bar',
  borderBottomRightRadius: '$bar',
  borderBottomLeftRadius: '$bar',
  cursor: 'pointer',
  pressStyle: { opacity: 0.8 },
  variants: { off: { true: { opacity: 0.5, cursor: 'default' } } } as const,
});

/** So long a new step is read before it is taken. */
const NEXT_STEP_MS = 600;

export interface ActionBarProps {
  readonly words: string;
  readonly onPress: () => unknown;
  readonly count?: number;
  readonly busy?: boolean;
  readonly beside?: ReactNode;
  /** The next step stands where the one before stood: a second tap must not take it. */
  readonly steps?: boolean;
}

/** The one next step. It always stands in the same place and always says what comes next. */
export function ActionBar(props: ActionBarProps) {
  const { words, onPress, count, busy, beside, steps = false } = props;
  const theme = useTheme();
  const { press, resting } = useOnePress(steps ? NEXT_STEP_MS : undefined);
  const arrow = theme.sun.get();
  const dark = theme.bark.get();
  return (
    <Row className="to-hand" gap="$2" paddingHorizontal="$3" paddingVertical="$2">
      {beside}
      <Bar
        off={busy}
        disabled={busy}
        aria-disabled={resting}
        onPress={busy ? undefined : () => press(onPress)}
      >
        <Body strong fontSize="$4" lineHeight="$4" color="$onBark" userSelect="none">
          {words}
        </Body>
        {count === undefined ? (
          <Svg width={58} height={24} aria-hidden>
            {[4, 15, 26, 37].map((x) => (
              <Circle
                key={x}
                cx={x}
                cy={12}
                r={3}
                fill={dark === arrow ? theme.onBark.get() : arrow}
              />
            ))}
            <Path
              d="M44 4 L53 12 L44 20"
              stroke={arrow}
              strokeWidth={4}
              fill="none"
              strokeLinecap="round"
            />
          </Svg>
        ) : (
          <Figure strong fontSize="$4" color="$onBark" aria-label={`${count} left`}>
            {count}
          </Figure>
        )}
      </Bar>
    </Row>
  );
}
