import { useTheme } from '@tamagui/core';
import type { SignatureValue } from '@ant-trail/core/log';
import Svg, { Path } from 'react-native-svg';

/** A stroke in a unit box as the path of a drawing. */
export const toPath = (stroke: readonly (readonly [number, number])[]): string =>
  stroke.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');

/** A signature as it was drawn. */
export function SignatureDrawing({ value, height }: { value: SignatureValue; height: number }) {
  const theme = useTheme();
  const deepest = Math.max(0.2, ...value.strokes.flat().map(([, y]) => y)) + 0.03;
  return (
    <Svg
      height={height}
      width={Math.min(height / deepest, 420)}
      viewBox={`0 0 1 ${deepest}`}
      role="img"
      aria-label={`Signature of ${value.name}`}
    >
      <Path
        d={value.strokes.map(toPath).join(' ')}
        fill="none"
        stroke={theme.ink.get()}
        strokeWidth={0.009}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </Svg>
  );
}
