import { useTheme } from '@tamagui/core';
import Svg, { Circle, Path } from 'react-native-svg';
import { Row } from './box.tsx';
import { Body } from './text.tsx';

/** The name with its mark: three steps and the way on. */
export function Brand() {
  const theme = useTheme();
  return (
    <Row gap="$2">
      <Svg width={34} height={20} aria-hidden>
        {[4, 13, 22].map((x) => (
          <Circle key={x} cx={x} cy={10} r={3} fill={theme.ink.get()} />
        ))}
        <Path
          d="M26 3 L33 10 L26 17"
          stroke={theme.sun.get()}
          strokeWidth={3.6}
          fill="none"
          strokeLinecap="round"
        />
      </Svg>
      <Body strong fontSize="$4">
        Ant Trail
      </Body>
    </Row>
  );
}
