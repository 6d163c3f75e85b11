import { sayState, type RowState } from '@ant-trail/core/sheet';
import { memo } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayDatedDay, sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { isAmiss, isDone, isLeft, lastTriedOf } from './passing.ts';

interface DeviceLineProps {
  readonly row: RowState;
  readonly locked: boolean;
  readonly onOpen: (id: string) => void;
  readonly onPass: (rows: readonly RowState[]) => Promise<void>;
}

/** One device: opened for all that is asked of it, or passed as it stands. */
export const DeviceLine = memo(function DeviceLine(props: DeviceLineProps) {
  const { row, locked, onOpen, onPass } = props;
  const kind = row.questions.find(
    ({ question, answer }) => question.kind === 'choice' && answer !== null,
  );
  const last = lastTriedOf(row);
  const about = [
    ...(kind ? [sayState(kind, sayShortDay)] : []),
    ...(last ? [`last ${sayDatedDay(last)}`] : []),
  ].join(', ');
  return (
    <Column role="listitem">
      <Row
        className="to-hand"
        gap="$2"
        borderBottomWidth={1}
        borderColor="$rule"
        paddingVertical="$1"
      >
        <PressableRow
          flex={1}
          className="ring-inside"
          justifyContent="center"
          onPress={() => onOpen(row.id)}
        >
          <Row gap="$3" alignSelf="stretch">
            <Mark
              name={
                isAmiss(row)
                  ? 'needs eyes'
                  : isDone(row)
                    ? 'finished'
                    : row.tally.answered > 0
                      ? 'under way'
                      : 'planned'
              }
              size={18}
            />
            <Column flex={1}>
              <Body strong numberOfLines={1}>
                {row.name}
              </Body>
              {about ? (
                <Body tiny quiet>
                  {about}
                </Body>
              ) : null}
            </Column>
          </Row>
        </PressableRow>
        {!locked && isLeft(row) ? (
          <Button dense repeats onPress={() => onPass([row])} label={`Passed: ${row.name}`}>
            Passed
          </Button>
        ) : null}
      </Row>
    </Column>
  );
});
