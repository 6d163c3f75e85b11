import type { RowState } from '@ant-trail/core/sheet';
import { memo } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';

interface RowLineProps {
  readonly row: RowState;
  readonly here: boolean;
  readonly onPress: (id: string) => void;
}

/** Drawn anew only when its own row changes: a group may have hundreds. */
export const RowLine = memo(function RowLine({ row, here, onPress }: RowLineProps) {
  const { answered, asked } = row.tally;
  const done = row.looseEnds.length === 0;
  const amiss = row.questions.some((state) => (state.findings[0]?.severity ?? 0) >= 2);
  return (
    <Column role="listitem" style={{ contentVisibility: 'auto', containIntrinsicSize: '52px' }}>
      <PressableRow
        onPress={() => onPress(row.id)}
        aria-expanded={here}
        borderBottomWidth={1}
        borderColor="$rule"
        paddingVertical="$2"
        backgroundColor={here ? '$touch' : 'transparent'}
      >
        <Row gap="$3" alignSelf="stretch">
          <Mark
            name={
              amiss
                ? 'needs eyes'
                : done && answered > 0
                  ? 'finished'
                  : answered > 0
                    ? 'under way'
                    : 'planned'
            }
            size={18}
          />
          <Body strong={here} flex={1} numberOfLines={1}>
            {row.name}
          </Body>
          <Figure small quiet>
            {answered} of {asked}
          </Figure>
        </Row>
      </PressableRow>
      {row.removal ? (
        <Notice tone="eyes" mark="differs">
          Somebody removed this while it was being filled in.
        </Notice>
      ) : null}
    </Column>
  );
});
