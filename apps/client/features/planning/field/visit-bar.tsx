import { sayDistance, type Fix, type Presence } from '@ant-trail/core/geo';
import { useRouter } from 'expo-router';
import { Suspense, useEffect, useRef, useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { setting } from '@/device/settings.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { LeaveDialog } from './later.tsx';
import { STEP_WORDS } from './step-words.ts';
import type { TrailStop } from './trail.ts';
import { presenceAt, recordStep } from './visit-steps.ts';

interface FarAway {
  readonly fix: Fix;
  readonly presence: Presence;
}

/** The action bar of a visit: set off, arrived, start, go on. */
export function VisitBar({ stop }: { stop: TrailStop }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [far, setFar] = useState<FarAway | null>(null);
  const [leaving, setLeaving] = useState(false);
  // Finding out where one is takes a while: whoever went elsewhere meanwhile is not fetched back.
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  const { step, visit, site, current } = stop;

  const arrive = async (fix: Fix | null, presence: Presence | null, reason?: string) => {
    await recordStep(store, {
      visit: visit.id,
      by: person.id,
      kind: 'arrived',
      fix,
      presence,
      ...(reason ? { reason } : {}),
    });
    engine.soon();
    // Where there is one sheet, being there is beginning it; what to beware of stood before this step.
    if (isHere.current && stop.sheets.length === 1 && setting('goingOn') === 'by itself')
      router.navigate(`/sheet/${current.sheet.id}`);
  };
  const onPress = async () => {
    if (step === 'set off') {
      await recordStep(store, { visit: visit.id, by: person.id, kind: 'set off' });
      engine.soon();
    } else if (step === 'arrived') {
      setBusy(true);
      const fix = await currentFix();
      setBusy(false);
      const presence = presenceAt(site, fix);
      if (fix && presence?.verdict === 'far away') setFar({ fix, presence });
      else await arrive(fix, presence);
    } else if (step === 'leave') setLeaving(true);
    else router.navigate(`/sheet/${current.sheet.id}`);
  };
  return (
    <>
      <ActionBar
        words={busy ? 'Looking where you are …' : STEP_WORDS[step]}
        steps
        busy={busy}
        onPress={onPress}
      />
      {leaving ? (
        <Suspense fallback={null}>
          <LeaveDialog stop={stop} onClose={() => setLeaving(false)} />
        </Suspense>
      ) : null}
      {far ? (
        <FarAwayDialog
          presence={far.presence}
          onClose={() => setFar(null)}
          onReason={(reason) => {
            setFar(null);
            void arrive(far.fix, far.presence, reason);
          }}
        />
      ) : null}
    </>
  );
}

interface FarAwayProps {
  readonly presence: Presence;
  readonly onClose: () => void;
  readonly onReason: (reason: string) => void;
}

/** Far from the site: never blocked, but a word is asked for. */
function FarAwayDialog({ presence, onClose, onReason }: FarAwayProps) {
  const [reason, setReason] = useState('');
  const [asked, setAsked] = useState(false);
  return (
    <Dialog title="You seem to be elsewhere" onClose={onClose}>
      <Column gap="$3">
        <Body>
          Your phone says {sayDistance(presence.distance)} from the site, give or take{' '}
          {sayDistance(Math.max(5, presence.accuracy))}. Say in a word why you start from here.
        </Body>
        <Input
          label="Why from here?"
          value={reason}
          onChange={setReason}
          problem={
            asked && !reason.trim() ? 'A word is enough, such as “parked below”.' : undefined
          }
        />
        <Button main onPress={() => (reason.trim() ? onReason(reason.trim()) : setAsked(true))}>
          I have arrived
        </Button>
      </Column>
    </Dialog>
  );
}
