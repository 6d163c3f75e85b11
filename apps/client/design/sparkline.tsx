import { useTheme } from '@tamagui/core';
import type { ExpectedRange } from '@ant-trail/core/measure';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Polygon, Polyline, Rect, Text as SvgText } from 'react-native-svg';

export interface SparkPoint {
  readonly label: string;
  readonly value: number;
  readonly out: boolean;
}

export interface SparklineProps {
  readonly points: readonly SparkPoint[];
  readonly range: ExpectedRange | undefined;
  readonly height?: number;
  /** Without labels it is small enough to stand in a table. */
  readonly bare?: boolean;
  readonly name: string;
}

const LABEL_SPACE = 20;

/** A reading over time: the expected range as ground, the line in ink, what is out as a diamond. */
export function Sparkline({ points, range, height = 92, bare, name }: SparklineProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(bare ? 120 : 320);
  const values = points.map((point) => point.value);
  const ends = [range?.low, range?.high].filter((end) => end !== undefined);
  const lowest = Math.min(...values, ...ends);
  const highest = Math.max(...values, ...ends);
  const margin = (highest - lowest || 1) * 0.14;
  const [low, high] = [lowest - margin, highest + margin];
  const bottom = bare ? height - 4 : height - LABEL_SPACE;
  const y = (value: number): number => bottom - ((value - low) / (high - low)) * (bottom - 6);
  // Room for half a label on both sides.
  const side = bare ? 8 : 26;
  const inner = width - 2 * side;
  const x = (index: number): number =>
    side + (points.length < 2 ? inner : (index / (points.length - 1)) * inner);
  const top = y(range?.high ?? high);
  const groundHeight = y(range?.low ?? low) - top;
  const mono = 'Atkinson Hyperlegible Mono';
  const every = Math.ceil((points.length * 52) / Math.max(inner, 1));
  const label = {
    fontFamily: mono,
    fontSize: 12,
    fill: theme.ink2.get(),
  };
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height, alignSelf: 'stretch', minWidth: bare ? 120 : 0 }}
    >
      <Svg width={width} height={height} role="img" aria-label={name}>
        <Rect
          x={0}
          y={top}
          width={width}
          height={Math.max(groundHeight, 2)}
          fill={theme.mossGround.get()}
        />
        {[range?.low, range?.high].map((end) =>
          end === undefined ? null : (
            <Line
              key={end}
              x1={0}
              x2={width}
              y1={y(end)}
              y2={y(end)}
              stroke={theme.sand.get()}
              strokeWidth={1}
            />
          ),
        )}
        <Polyline
          points={points.map((point, index) => `${x(index)},${y(point.value)}`).join(' ')}
          fill="none"
          stroke={theme.ink.get()}
          strokeWidth={1.8}
        />
        {points.map((point, index) => {
          const [px, py] = [x(index), y(point.value)];
          const last = index === points.length - 1;
          if (bare && !last && !point.out) return null;
          return point.out ? (
            <Polygon
              key={`${point.label}-${index}`}
              points={`${px},${py - 7} ${px + 7},${py} ${px},${py + 7} ${px - 7},${py}`}
              fill={theme.clay.get()}
            />
          ) : (
            <Circle
              key={`${point.label}-${index}`}
              cx={px}
              cy={py}
              r={bare ? 2.6 : 3.6}
              fill={theme.ink.get()}
            />
          );
        })}
        {bare
          ? null
          : points.map((point, index) =>
              (points.length - 1 - index) % every === 0 ? (
                <SvgText
                  key={`l-${point.label}-${index}`}
                  x={x(index)}
                  y={height - 3}
                  textAnchor="middle"
                  {...label}
                >
                  {point.label}
                </SvgText>
              ) : null,
            )}
      </Svg>
    </View>
  );
}
