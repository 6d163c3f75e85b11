import { STAGE_PATH } from '@ant-trail/core/log';
import { everyQuestion, sayState, type Stop } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { SigningDialog } from '@/features/planning/field/signing-later.ts';
import { heldUnsigned } from '@/features/planning/field/held-unsigned.ts';
import { isAskedBeforeLeaving } from '@/features/planning/field/trail.ts';
import { recordStep } from '@/features/planning/field/visit-steps.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { useSheetSession, useSheetState } from '../session/sheet-context.tsx';

export interface FinishDialogProps {
  readonly onClose: () => void;
  readonly onEdit: (section: string, key: string) => void;
}

/** The last read-through: everything that was answered, each a tap away from being mended. */
export function FinishDialog({ onClose, onEdit }: FinishDialogProps) {
  const session = useSheetSession();
  const state = useSheetState();
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const { visit: here, own } = session.context;
  const held = useLive(() => heldUnsigned(store, here, own.id), [store, here, own.id]);
  const [signing, setSigning] = useState(false);
  const finish = async () => {
    // What is shown may be a moment old.
    if (await heldUnsigned(store, here, own.id)) return setSigning(true);
    const problem = await session.write(STAGE_PATH, 'finish', session.cover);
    if (problem) return;
    const { visit, job } = session.context;
    engine.soon();
    // Where there is more to do, the visit shows it; leaving is said there.
    if (isAskedBeforeLeaving(job)) {
      router.navigate(`/visit/${visit.id}`);
      return;
    }
    if (!visit.events.some((event) => event.kind === 'left'))
      await recordStep(store, { visit: visit.id, by: person.id, kind: 'left' });
    router.navigate('/trail');
  };
  return (
    <Dialog title="Read it through once" onClose={onClose}>
      <Column gap="$3">
        <Column
          maxHeight="58vh"
          style={{ overflowY: 'auto' }}
          role="list"
          tabIndex={0}
          aria-label="Your answers"
        >
          {[...everyQuestion(state)].map((stop) => (
            <Line
              key={stop.state.path}
              stop={stop}
              onPress={() => onEdit(stop.state.section, stop.state.path)}
            />
          ))}
        </Column>
        <Body small quiet>
          {state.findings.length === 0
            ? 'No findings.'
            : `${state.findings.length} ${state.findings.length === 1 ? 'finding' : 'findings'}.`}{' '}
          Once finished, the office reads it.
        </Body>
        {held ? (
          <>
            <Notice tone="eyes" mark="needs eyes">
              Whoever answers for the place has to sign before this can be finished.
            </Notice>
            <Button main onPress={() => setSigning(true)}>
              Have it signed
            </Button>
          </>
        ) : (
          <Button main onPress={() => finish()}>
            Finish the sheet
          </Button>
        )}
        {signing && held ? (
          <Suspense fallback={null}>
            <SigningDialog stop={held} onClose={() => setSigning(false)} />
          </Suspense>
        ) : null}
      </Column>
    </Dialog>
  );
}

function Line({ stop, onPress }: { stop: Stop; onPress: () => void }) {
  const { state, rows } = stop;
  const said = sayState(state, sayShortDay);
  const amiss = state.question.kind !== 'rows' && (state.findings[0]?.severity ?? 0) >= 2;
  return (
    <Column role="listitem" borderBottomWidth={1} borderColor="$rule">
      <PressableRow paddingVertical="$2" onPress={onPress}>
        <Row className="to-hand" justifyContent="space-between" gap="$3" alignSelf="stretch">
          <Body small flex={1}>
            {[...rows, state.question.label].join(' · ')}
          </Body>
          <Row gap="$1" maxWidth="48%">
            {amiss ? <Mark name="needs eyes" size={16} /> : null}
            <Body small strong eyes={amiss}>
              {said}
            </Body>
          </Row>
        </Row>
      </PressableRow>
    </Column>
  );
}
