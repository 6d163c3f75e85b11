import { StepReason } from '@ant-trail/contract/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { TrailStop } from './trail.ts';
import { presenceAt, recordStep } from './visit-steps.ts';
import { useWhy, WhyFields } from './why-fields.tsx';

const USUAL = ['Nobody there', 'Locked', 'Not safe', 'Part missing'];

/** Nothing can be done here now: the office is told why, and plans it anew. */
export function TurnBackDialog({ stop, onClose }: { stop: TrailStop; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const why = useWhy(StepReason);
  const [busy, setBusy] = useState(false);
  const turnBack = async (): Promise<void> => {
    const reason = why.settle();
    if (reason === null) return;
    setBusy(true);
    const fix = await currentFix();
    await recordStep(store, {
      ...{ visit: stop.visit.id, by: person.id, kind: 'turned back', reason },
      ...{ fix, presence: presenceAt(stop.site, fix) },
    });
    engine.soon();
    onClose();
    router.navigate('/trail');
  };
  return (
    <Dialog title="Turn back" onClose={onClose}>
      <Column gap="$3">
        <WhyFields question="Why can’t it be done now?" usual={USUAL} why={why} />
        <Body small quiet>
          What you have recorded stays. The office is told and plans the job anew.
        </Body>
        <Button main onPress={() => turnBack()} disabled={busy}>
          Turn back
        </Button>
      </Column>
    </Dialog>
  );
}
