import { useRouter } from 'expo-router';
import { Row } from '@/design/box.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useSync, type SyncState } from '../engine.ts';
import { useKept, type Kept } from '../kept.ts';

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
        {sayOffice(kept, state, since)}
      </Body>
    </PressableRow>
  );
}

const NOT_IN_STEP: Partial<Record<SyncState, string>> = {
  'no network': 'no network',
  'office away': 'the office does not answer',
  'sign in': 'sign in again to send',
  failed: 'tried again soon',
};

/** What the office has, and never more than it has. */
function sayOffice(kept: Kept, state: SyncState, since: string | null): string {
  const trouble = NOT_IN_STEP[state];
  if (trouble) return trouble;
  if (since === null) return 'nothing sent yet';
  const whole = kept.operations + kept.photos + kept.refused === 0;
  return whole ? `office has all, ${since}` : `office has the rest, ${since}`;
}
