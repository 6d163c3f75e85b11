import { textOf } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Row } from '@/design/box.tsx';
import { DateField } from '@/design/pick.tsx';
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
  return (
    <DateField
      label={label}
      hideLabel={hideLabel}
      type={question.kind === 'time' ? 'time' : 'date'}
      value={wordsOf(value)}
      onChange={(next) => onGive({ value: next || null })}
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
    else if (nextDay && nextTime) onGive({ value: `${nextDay}T${nextTime}` });
    else onGive({ problem: nextDay ? 'Give the time of day as well.' : 'Give the day as well.' });
  };
  return (
    <Row gap="$2" flexWrap="wrap" role="group" aria-label={label}>
      <DateField
        label={`${label}: day`}
        type="date"
        value={day}
        onChange={(to) => give(to, time)}
      />
      <DateField
        label={`${label}: time`}
        type="time"
        value={time}
        onChange={(to) => give(day, to)}
      />
    </Row>
  );
}
