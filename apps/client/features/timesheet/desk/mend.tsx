import { DayOfPerson, TimeReason, type ClockSaid } from '@ant-trail/contract/timesheet';
import { inZone, readMinute, sayMinute } from '@ant-trail/core/calendar';
import { CLOCK_STEPS, type ClockStep } from '@ant-trail/core/timesheet';
import { useState } from 'react';
import { Pick } from '@/design/pick.tsx';
import { TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { CLOCK_WORDS } from '../clock-words.ts';
import { instantSaid } from '../when-said.ts';
import { MendFrame } from './mend-frame.tsx';

const STEPS = CLOCK_STEPS.map((value) => ({ value, label: CLOCK_WORDS[value] }));

interface MendProps {
  readonly person: string;
  readonly day: string;
  readonly began: string | null;
  readonly entry: ClockSaid | null;
  readonly onDone: () => void;
}

/** Something of somebody’s day is put right, added or struck out, with why. */
export function Mend({ person, day, began, entry, onDone }: MendProps) {
  const { person: me, organisation } = useMe();
  const { timeZone } = organisation;
  const [step, setStep] = useState<ClockStep>(entry?.step ?? 'ended');
  const [time, setTime] = useState(
    entry ? sayMinute(inZone(new Date(entry.at), timeZone).minute) : '',
  );
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (kept: ClockStep | null): Promise<void> => {
    const minute = readMinute(time);
    const why = TimeReason.safeParse(reason);
    if (minute === null || !why.success) {
      setProblem(minute === null ? WRITE_A_TIME : (why.error?.issues[0]?.message ?? ''));
      return;
    }
    const at = instantSaid(day, minute, timeZone, step === 'began' ? null : began);
    const now = new Date().toISOString();
    try {
      await ask(DayOfPerson, 'POST', '/api/hours/entries', {
        ...{ id: newId(), person, day, step: kept, at: kept === null && entry ? entry.at : at },
        ...{ insteadOf: entry?.id ?? null, reason: why.data, by: me.id, saidAt: now },
      });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <MendFrame
      label={entry ? 'Put it right' : 'Add something'}
      {...{ reason, problem }}
      onReason={setReason}
      onKeep={() => keep(step)}
      onStrike={entry ? () => keep(null) : undefined}
      onLeave={onDone}
    >
      <Pick
        label="What it is"
        value={step}
        options={STEPS}
        onChange={(next) => setStep(CLOCK_STEPS.find((each) => each === next) ?? step)}
      />
      <TimeField label="When" value={time} onChange={setTime} />
    </MendFrame>
  );
}
