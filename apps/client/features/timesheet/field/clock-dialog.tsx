import { TimeReason, type ClockSaid } from '@ant-trail/contract/timesheet';
import { inZone, readMinute, sayMinute } from '@ant-trail/core/calendar';
import { CLOCK_STEPS, type ClockDay, type ClockStep } from '@ant-trail/core/timesheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import { officeTime } from '@/device/clock.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useWhy, WhyFields } from '@/features/planning/field/why-fields.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { CLOCK_WORDS } from '../clock-words.ts';
import { instantSaid } from '../when-said.ts';
import { sayOfDay } from './own-days.ts';

const USUAL = ['Forgot to press', 'Pressed too late', 'Pressed by mistake'];
const STEPS = CLOCK_STEPS.map((value) => ({ value, label: CLOCK_WORDS[value] }));

export interface ClockDialogProps {
  readonly day: string;
  /** What is put right; null where something is added. */
  readonly entry: ClockSaid | null;
  readonly clock: ClockDay;
  readonly onClose: () => void;
}

/** Something of one's own day is put right, added or struck out, with why. */
export function ClockDialog({ day, entry, clock, onClose }: ClockDialogProps) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const { timeZone } = organisation;
  const [step, setStep] = useState<ClockStep>(entry?.step ?? 'ended');
  const [time, setTime] = useState(
    entry ? sayMinute(inZone(new Date(entry.at), timeZone).minute) : '',
  );
  const [problem, setProblem] = useState<string>();
  const why = useWhy(TimeReason);
  const began = step === 'began' ? null : (clock.spans[0]?.from ?? null);
  const keep = async (kept: ClockStep | null): Promise<void> => {
    const minute = readMinute(time);
    if (minute === null) {
      setProblem(WRITE_A_TIME);
      return;
    }
    const at = instantSaid(day, minute, timeZone, began);
    if (kept !== null && Date.parse(at) > officeTime().getTime()) {
      setProblem('That time has not come yet.');
      return;
    }
    setProblem(undefined);
    const reason = why.settle();
    if (reason === null) return;
    await sayOfDay(store, person.id, {
      ...{ day, step: kept, at: kept === null && entry ? entry.at : at, reason },
      ...(entry ? { insteadOf: entry.id } : {}),
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title={entry ? 'Put it right' : 'Add something'} onClose={onClose}>
      <Column gap="$3">
        <Segments label="What it is" options={STEPS} chosen={[step]} onPress={setStep} />
        <Row>
          <TimeField label="When" value={time} onChange={setTime} problem={problem} />
        </Row>
        <WhyFields question="Why?" usual={USUAL} why={why} />
        <Button main onPress={() => keep(step)}>
          Keep it
        </Button>
        {entry ? <Button onPress={() => keep(null)}>Strike it out</Button> : null}
      </Column>
    </Dialog>
  );
}
