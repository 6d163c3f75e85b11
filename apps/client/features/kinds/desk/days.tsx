import { isTimeOfDay, textOf } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Row } from '@/design/box.tsx';
import { DayField, TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import type { DeskControlProps } from './control.ts';

const wordsOf = (value: DeskControlProps['value']): string => (value === null ? '' : textOf(value));

/** A day, or a time of day. */
export function DayControl({
  question,
  label,
  hideLabel = false,
  value,
  onGive,
}: DeskControlProps) {
  const Field = question.kind === 'time' ? TimeField : DayField;
  return (
    <Field
      label={label}
      hideLabel={hideLabel}
      value={wordsOf(value)}
      onChange={(next) =>
        onGive(
          question.kind === 'time' && next && !isTimeOfDay(next)
            ? { problem: WRITE_A_TIME }
            : { value: next || null },
        )
      }
    />
  );
}

/** A day and a time of day: an answer once both are there. */
export function MomentControl({ label, value, onGive }: DeskControlProps) {
  const [kept = '', keptTime = ''] = wordsOf(value).split('T');
  const [day, setDay] = useState(kept);
  const [time, setTime] = useState(keptTime);
  const give = (nextDay: string, nextTime: string): void => {
    setDay(nextDay);
    setTime(nextTime);
    if (!nextDay && !nextTime) onGive({ value: null });
    else if (nextTime && !isTimeOfDay(nextTime)) onGive({ problem: WRITE_A_TIME });
    else if (nextDay && nextTime) onGive({ value: `${nextDay}T${nextTime}` });
    else onGive({ problem: nextDay ? 'Give the time of day as well.' : 'Give the day as well.' });
  };
  return (
    <Row gap="$2" flexWrap="wrap" role="group" aria-label={label}>
      <DayField label={`${label}: day`} value={day} onChange={(to) => give(to, time)} />
      <TimeField label={`${label}: time`} value={time} onChange={(to) => give(day, to)} />
    </Row>
  );
}
