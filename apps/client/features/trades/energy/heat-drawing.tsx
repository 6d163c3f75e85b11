import { useTheme } from '@tamagui/core';
import type { Outlet, Ribbon } from '@ant-trail/core/trades/energy';
import Svg, { G, Path } from 'react-native-svg';
import { Column } from '@/design/box.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import type { EnergyKit } from './use-energy.ts';

interface HeatDrawingProps {
  readonly kit: EnergyKit;
  readonly ribbons: readonly Ribbon[];
  readonly onOpen: (outlet: Outlet) => void;
}

/** Where the heat goes: a house, and a ribbon for each way out, as wide as what leaves by it. */
export function HeatDrawing({ kit, ribbons, onOpen }: HeatDrawingProps) {
  const theme = useTheme();
  const { width, height } = kit.DRAWING;
  const { walls, roof, door, window } = kit.HOUSE_LINES;
  const line = { stroke: theme.ink.get(), strokeWidth: 2, fill: theme.sheet.get() };
  return (
    <div
      style={{
        position: 'relative',
        width: '100%',
        maxWidth: 420,
        aspectRatio: `${width} / ${height}`,
      }}
    >
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`} aria-hidden>
        {ribbons.map(({ outlet, drawnBefore, drawnAfter }) => (
          <G key={outlet} onPress={() => onOpen(outlet)}>
            <Path d={drawnBefore} fill={theme.sand.get()} fillOpacity={0.45} />
            <Path d={drawnAfter} fill={theme.clay.get()} />
          </G>
        ))}
        <Path d={walls} {...line} />
        <Path d={roof} {...line} />
        <Path d={door} {...line} />
        <Path d={window} {...line} />
      </Svg>
      <ul aria-label="Where the heat goes" style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {ribbons.map((ribbon) => (
          <li
            key={ribbon.outlet}
            style={{
              position: 'absolute',
              left: `${(ribbon.words.x / width) * 100}%`,
              top: `${(ribbon.words.y / height) * 100}%`,
              transform: 'translateY(-50%)',
            }}
          >
            <PressableRow onPress={() => onOpen(ribbon.outlet)} justifyContent="center" gap={0}>
              <Column alignItems="flex-start">
                <Body small strong>
                  {kit.OUTLET_NAMES[ribbon.outlet]}
                </Body>
                <Figure small>{kit.sayLeaving(ribbon)}</Figure>
              </Column>
            </PressableRow>
          </li>
        ))}
      </ul>
    </div>
  );
}
