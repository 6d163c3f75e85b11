import { LeftOutSheet } from '@ant-trail/contract/planning';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { TrailSheet } from './trail.ts';
import { useWhy, WhyFields } from './why-fields.tsx';

const USUAL = ['Locked', 'Not there', 'Not safe', 'No time'];

export interface LeaveOutDialogProps {
  readonly sheet: TrailSheet;
  readonly job: string;
  readonly onClose: () => void;
}

/** One stop among several is gone past: the office is told why. */
export function LeaveOutDialog({ sheet, job, onClose }: LeaveOutDialogProps) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const why = useWhy(LeftOutSheet.shape.reason);
  const leaveOut = async (): Promise<void> => {
    const reason = why.settle();
    if (reason === null) return;
    await doHere(store, {
      kind: 'sheet left out',
      body: {
        ...{ id: newId(), job, sheet: sheet.sheet.id, reason },
        ...{ by: person.id, at: new Date().toISOString() },
      },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title={`Leave out ${sheet.title}`} onClose={onClose}>
      <Column gap="$3">
        <WhyFields question="Why is it left out?" usual={USUAL} why={why} />
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
