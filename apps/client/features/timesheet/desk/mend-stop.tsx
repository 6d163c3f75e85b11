import { DayOfPerson, TimeReason } from '@ant-trail/contract/timesheet';
import { inZone, readMinute, sayMinute } from '@ant-trail/core/calendar';
import { useState } from 'react';
import { TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { instantSaid } from '../when-said.ts';
import { MendFrame } from './mend-frame.tsx';

export interface MendStopProps {
  readonly day: string;
  readonly stop: DayOfPerson['visits'][number];
  readonly onDone: () => void;
}

/** Somebody’s time at a stop is put right, with why. */
export function MendStop({ day, stop, onDone }: MendStopProps) {
  const { person: me, organisation } = useMe();
  const { timeZone } = organisation;
  const timeOf = (at: string | null): string =>
    at === null ? '' : sayMinute(inZone(new Date(at), timeZone).minute);
  const [from, setFrom] = useState(timeOf(stop.from));
  const [to, setTo] = useState(timeOf(stop.to));
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const [first, last] = [readMinute(from), readMinute(to)];
    const why = TimeReason.safeParse(reason);
    if (first === null || last === null || !why.success) {
      setProblem(
        first === null || last === null ? WRITE_A_TIME : (why.error?.issues[0]?.message ?? ''),
      );
      return;
    }
    const begins = instantSaid(day, first, timeZone, null);
    try {
      await ask(DayOfPerson, 'POST', '/api/hours/site-times', {
        ...{ id: newId(), visit: stop.visit, from: begins, reason: why.data, by: me.id },
        to: instantSaid(day, last, timeZone, begins),
        saidAt: new Date().toISOString(),
      });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <MendFrame
      label={`Put right: ${stop.siteName}`}
      {...{ reason, problem }}
      onReason={setReason}
      onKeep={keep}
      onLeave={onDone}
    >
      <TimeField label="From" value={from} onChange={setFrom} />
      <TimeField label="To" value={to} onChange={setTo} />
    </MendFrame>
  );
}
