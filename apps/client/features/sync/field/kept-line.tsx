import { useRouter } from 'expo-router';
import { Row } from '@/design/box.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { sayWhen } from '@/features/planning/wording.ts';
import { useSync } from '../engine.ts';
import { useKept } from '../kept.ts';

/** At the head of the trail: how much is kept here, and what the office has. */
export function KeptLine() {
  const kept = useKept();
  const state = useSync((sync) => sync.state);
  const router = useRouter();
  const { organisation } = useMe();
  if (!kept) return null;
  const waiting = kept.operations + kept.photos;
  const at = kept.lastReceipt ?? kept.lastSync;
  const since = at ? sayWhen(at, organisation.timeZone) : null;
  return (
    <PressableRow
      alignSelf="auto"
      alignItems="flex-end"
      justifyContent="center"
      gap={0}
      onPress={() => router.navigate('/kept')}
      aria-label={`${waiting} kept here. ${kept.refused} refused.`}
    >
      <Row gap="$1">
        {kept.refused > 0 ? (
          <Body small strong eyes>
            {kept.refused} refused ·
          </Body>
        ) : null}
        <Figure small strong>
          {waiting}
        </Figure>
        <Body small>{waiting > 0 && state === 'sending' ? 'sending' : 'kept here'}</Body>
      </Row>
      <Body tiny quiet>
        {state === 'no network' || state === 'sign in'
          ? state === 'sign in'
            ? 'sign in again to send'
            : state
          : since === null
            ? 'nothing sent yet'
            : waiting > 0
              ? `office has the rest, ${since}`
              : `office has all, ${since}`}
      </Body>
    </PressableRow>
  );
}
