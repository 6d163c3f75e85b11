import { StepReason } from '@ant-trail/contract/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { TrailStop } from './trail.ts';
import { presenceAt, recordStep } from './visit-steps.ts';

const USUAL = ['Nobody there', 'Locked', 'Not safe', 'Part missing'].map((words) => ({
  value: words,
  label: words,
}));

/** Nothing can be done here now: the office is told why, and plans it anew. */
export function TurnBackDialog({ stop, onClose }: { stop: TrailStop; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const [usual, setUsual] = useState<string | null>(null);
  const [more, setMore] = useState('');
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const reason = StepReason.safeParse([usual, more.trim()].filter(Boolean).join(': '));
  const turnBack = async (): Promise<void> => {
    if (!reason.success) return setAsked(true);
    setBusy(true);
    const fix = await currentFix();
    await recordStep(store, {
      ...{ visit: stop.visit.id, by: person.id, kind: 'turned back', reason: reason.data },
      ...{ fix, presence: presenceAt(stop.site, fix) },
    });
    engine.soon();
    onClose();
    router.navigate('/trail');
  };
  return (
    <Dialog title="Turn back" onClose={onClose}>
      <Column gap="$3">
        <Body strong>Why can’t it be done now?</Body>
        <Segments
          label="Why can’t it be done now?"
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
          What you have recorded stays. The office is told and plans the job anew.
        </Body>
        <Button main onPress={() => turnBack()} disabled={busy}>
          Turn back
        </Button>
      </Column>
    </Dialog>
  );
}
