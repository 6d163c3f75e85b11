import { LeftOutSheet } from '@ant-trail/contract/planning';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { TrailSheet } from './trail.ts';

const USUAL = ['Locked', 'Not there', 'Not safe', 'No time'].map((words) => ({
  value: words,
  label: words,
}));
const Reason = LeftOutSheet.shape.reason;

export interface LeaveOutDialogProps {
  readonly sheet: TrailSheet;
  readonly job: string;
  readonly onClose: () => void;
}

/** One stop among several is gone past: the office is told why. */
export function LeaveOutDialog({ sheet, job, onClose }: LeaveOutDialogProps) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const [usual, setUsual] = useState<string | null>(null);
  const [more, setMore] = useState('');
  const [asked, setAsked] = useState(false);
  const reason = Reason.safeParse([usual, more.trim()].filter(Boolean).join(': '));
  const leaveOut = async (): Promise<void> => {
    if (!reason.success) return setAsked(true);
    await doHere(store, {
      kind: 'sheet left out',
      body: {
        ...{ id: newId(), job, sheet: sheet.sheet.id, reason: reason.data },
        ...{ by: person.id, at: new Date().toISOString() },
      },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title={`Leave out ${sheet.title}`} onClose={onClose}>
      <Column gap="$3">
        <Body strong>Why is it left out?</Body>
        <Segments
          label="Why is it left out?"
          options={USUAL}
          chosen={usual === null ? [] : [usual]}
          onPress={(value) => setUsual(value === usual ? null : value)}
        />
        <Input
          label="More about it"
          lines={2}
          value={more}
          onChange={setMore}
          problem={asked ? reason.error?.issues[0]?.message : undefined}
        />
        <Body small quiet>
          You can still fill it in: it is left out only as long as nobody begins it.
        </Body>
        <Button main onPress={leaveOut}>
          Leave it out
        </Button>
      </Column>
    </Dialog>
  );
}
