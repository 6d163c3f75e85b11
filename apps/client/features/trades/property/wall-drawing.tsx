import { useTheme } from '@tamagui/core';
import type { WallPicture } from '@ant-trail/core/trades/property';
import Svg, { Circle, Path, Rect, Text } from 'react-native-svg';
import type { PropertyKit } from './use-property.ts';

const WIDTH = 340;

interface WallDrawingProps {
  readonly kit: PropertyKit;
  readonly picture: WallPicture;
  /** Where the reading that is being taken lies, among those of the picture. */
  readonly at: { readonly x: number; readonly y: number } | null;
}

/** A wall seen from the room: where it is dry, damp and wet, and the readings that say so. */
export function WallDrawing({ kit, picture, at }: WallDrawingProps) {
  const { height, points, unread } = picture;
  const theme = useTheme();
  const high = height * WIDTH;
  const lake = theme.lake.get();
  return (
    <Svg width="100%" viewBox={`0 0 ${WIDTH} ${high}`} aria-hidden>
      <Rect width={WIDTH} height={high} fill={theme.sheet.get()} />
      {kit.BANDS.map((band) => (
        <Path
          key={band}
          d={kit.pathOf(picture, band, WIDTH)}
          fill={lake}
          fillOpacity={kit.DEPTHS[band]}
        />
      ))}
      {points.map(({ x, y, wet }, index) => (
        <Text
          key={index}
          x={x * WIDTH}
          y={high - y * WIDTH + 5}
          fontSize={14}
          fontWeight="700"
          textAnchor="middle"
          fill={theme.ink.get()}
        >
          {wet}
        </Text>
      ))}
      {unread.map(({ x, y }, index) => (
        <Circle
          key={index}
          cx={x * WIDTH}
          cy={high - y * WIDTH}
          r={3}
          fill="none"
          stroke={theme.ink.get()}
          strokeWidth={1.5}
        />
      ))}
      {at ? (
        <Circle
          cx={at.x * WIDTH}
          cy={high - at.y * WIDTH}
          r={16}
          fill="none"
          stroke={theme.clay.get()}
          strokeWidth={3}
        />
      ) : null}
      <Rect
        x={1}
        y={1}
        width={WIDTH - 2}
        height={high - 2}
        fill="none"
        stroke={theme.ink.get()}
        strokeWidth={2}
      />
    </Svg>
  );
}
