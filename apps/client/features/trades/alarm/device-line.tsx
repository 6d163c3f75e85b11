import { sayState, type RowState } from '@ant-trail/core/sheet';
import { memo } from 'react';
import { Button } from '@/design/button.tsx';
import { sayDatedDay, sayShortDay } from '@/design/say-day.ts';
import { GlanceLine } from './glance-line.tsx';
import { isLeft, lastTriedOf, markOf } from './passing.ts';

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
    <GlanceLine mark={markOf(row)} name={row.name} about={about} onOpen={() => onOpen(row.id)}>
      {!locked && isLeft(row) ? (
        <Button dense repeats onPress={() => onPass([row])} label={`Passed: ${row.name}`}>
          Passed
        </Button>
      ) : null}
    </GlanceLine>
  );
});
