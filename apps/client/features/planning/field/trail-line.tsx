import { useTheme, View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { Row } from '@/design/box.tsx';
import { Mark, type MarkName } from '@/design/mark.tsx';
import { Figure } from '@/design/text.tsx';

/** As wide as a time is, however large its letters. */
const TIME_WIDE = '3.75rem';

export interface TrailStepProps {
  readonly time: string;
  readonly mark: MarkName;
  readonly walked: boolean;
  readonly last: boolean;
  readonly strong?: boolean;
  readonly children: ReactNode;
}

/** One stop on the vertical trail: time, mark, and the dotted line on to the next. */
export function TrailStep({ time, mark, walked, last, strong, children }: TrailStepProps) {
  const theme = useTheme();
  return (
    <Row alignItems="stretch" role="listitem">
      <View width={TIME_WIDE} paddingTop={13} alignItems="flex-end">
        {/* A day is longer than a time, and must not reach the edge. */}
        <Figure small={!strong} quiet={!strong} strong={strong} tiny={time.length > 5}>
          {time}
        </Figure>
      </View>
      <View width={36} alignItems="center">
        <View marginTop={12}>
          <Mark name={mark} size={strong ? 26 : 22} />
        </View>
        {last ? null : (
          <div
            aria-hidden
            style={{
              flex: 1,
              width: 0,
              marginTop: 4,
              marginBottom: -8,
              borderLeft: `5px dotted ${walked ? theme.ink.get() : theme.sand.get()}`,
            }}
          />
        )}
      </View>
      <View flex={1} minWidth={0} paddingBottom="$3">
        {children}
      </View>
    </Row>
  );
}
