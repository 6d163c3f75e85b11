import { TimeReason } from '@ant-trail/contract/timesheet';
import { inZone, readMinute, sayMinute } from '@ant-trail/core/calendar';
import type { Span } from '@ant-trail/core/timesheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useWhy, WhyFields } from '@/features/planning/field/why-fields.tsx';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { instantSaid } from '../when-said.ts';

const USUAL = ['Forgot to press', 'Pressed too late', 'Left and came back'];

export interface SiteTimeDialogProps {
  readonly visit: string;
  readonly day: string;
  readonly siteName: string;
  /** As it counts now. */
  readonly there: Span | null;
  readonly onClose: () => void;
}

/** The time at a stop is put right, with why. */
export function SiteTimeDialog({ visit, day, siteName, there, onClose }: SiteTimeDialogProps) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const { timeZone } = organisation;
  const timeOf = (at: string | null | undefined): string =>
    at ? sayMinute(inZone(new Date(at), timeZone).minute) : '';
  const [from, setFrom] = useState(timeOf(there?.from));
  const [to, setTo] = useState(timeOf(there?.to));
  const [problem, setProblem] = useState<string>();
  const why = useWhy(TimeReason);
  const keep = async (): Promise<void> => {
    const [first, last] = [readMinute(from), readMinute(to)];
    if (first === null || last === null) {
      setProblem(WRITE_A_TIME);
      return;
    }
    const begins = instantSaid(day, first, timeZone, null);
    const ends = instantSaid(day, last, timeZone, begins);
    if (begins === ends || Date.parse(ends) > officeTime().getTime()) {
      setProblem(begins === ends ? 'It ends after it begins.' : 'That time has not come yet.');
      return;
    }
    setProblem(undefined);
    const reason = why.settle();
    if (reason === null) return;
    await doHere(store, {
      kind: 'site time',
      body: {
        ...{ id: newId(), visit, from: begins, to: ends, reason, by: person.id },
        saidAt: officeTime().toISOString(),
      },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title={`Your time at ${siteName}`} onClose={onClose}>
      <Column gap="$3">
        <Row gap="$3" alignItems="flex-start">
          <TimeField label="From" value={from} onChange={setFrom} />
          <TimeField label="To" value={to} onChange={setTo} problem={problem} />
        </Row>
        <WhyFields question="Why?" usual={USUAL} why={why} />
        <Button main onPress={keep}>
          Keep it
        </Button>
      </Column>
    </Dialog>
  );
}
