import { Redirect, Slot } from 'expo-router';
import { lazy, Suspense, useEffect } from 'react';
import { Column } from '@/design/box.tsx';
import { FaceProvider } from '@/design/face.tsx';
import { SkipLink } from '@/design/skip-link.tsx';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { whenIdle } from '@/device/when-idle.ts';
import { useSession } from '@/features/accounts/session.ts';
import { useTelling } from '@/features/feedback/telling.ts';
import { bringDetails } from '@/features/planning/field/later.tsx';
import { TrailScreen } from '@/features/planning/field/trail-screen.tsx';
import { VisitScreen } from '@/features/planning/field/visit-screen.tsx';
import { FieldNotices } from '@/features/sync/field/field-notices.tsx';
import { SendingSaid } from '@/features/sync/field/sending-said.tsx';
import { PhoneProvider } from '@/features/sync/phone.tsx';
import { ON_PHONE } from './on-phone.ts';

// The trail is on the screen first; the rest comes when it is gone to, from the phone's own cache.
const bringSheet = () => import('@/features/capture/field/sheet-screen.tsx');
const SheetScreen = lazy(async () => ({ default: (await bringSheet()).SheetScreen }));
const KeptScreen = lazy(async () => {
  const { KeptScreen: Loaded } = await import('@/features/sync/field/kept-screen.tsx');
  return { default: Loaded };
});
const SelfScreen = lazy(async () => {
  const { SelfScreen: Loaded } = await import('@/faces/self-screen.tsx');
  return { default: Loaded };
});

const bringThings = () => import('@/features/story/field/index.ts');
const FindScreen = lazy(async () => ({ default: (await bringThings()).FindScreen }));
const ThingScreen = lazy(async () => ({ default: (await bringThings()).ThingScreen }));
const LabelsScreen = lazy(async () => ({ default: (await bringThings()).LabelsScreen }));

const bringMap = () => import('@/features/maps/field/index.ts');
const AroundScreen = lazy(async () => ({ default: (await bringMap()).AroundScreen }));
const WayScreen = lazy(async () => ({ default: (await bringMap()).WayScreen }));

const bringDocuments = () => import('@/features/documents/field/index.ts');
const DocumentScreen = lazy(async () => ({ default: (await bringDocuments()).DocumentScreen }));
const DocumentsScreen = lazy(async () => ({ default: (await bringDocuments()).DocumentsScreen }));

const ReadyScreen = lazy(async () => {
  const { SelfTestScreen } = await import('@/features/accounts/field/self-test-screen.tsx');
  return { default: SelfTestScreen };
});

// Below the day's stops, and after them.
const OwnRounds = lazy(async () => {
  const { OwnRounds: Loaded } = await import('@/features/rounds/field/own-rounds.tsx');
  return { default: Loaded };
});
// The day's own clock is a line of its own, and its hours a screen.
const DayClock = lazy(async () => {
  const { DayClock: Loaded } = await import('@/features/timesheet/field/day-clock.tsx');
  return { default: Loaded };
});
const OwnHoursScreen = lazy(async () => {
  const { OwnHoursScreen: Loaded } =
    await import('@/features/timesheet/field/own-hours-screen.tsx');
  return { default: Loaded };
});
const MessagesScreen = lazy(async () => {
  const { MessagesScreen: Loaded } = await import('@/features/messages/field/messages-screen.tsx');
  return { default: Loaded };
});
const Trail = () => (
  <TrailScreen
    above={
      <Suspense fallback={null}>
        <DayClock />
      </Suspense>
    }
    below={
      <Suspense fallback={null}>
        <OwnRounds />
      </Suspense>
    }
  />
);

const SCREENS = {
  trail: Trail,
  visit: VisitScreen,
  sheet: SheetScreen,
  kept: KeptScreen,
  self: SelfScreen,
  find: FindScreen,
  thing: ThingScreen,
  labels: LabelsScreen,
  around: AroundScreen,
  way: WayScreen,
  ready: ReadyScreen,
  'my-hours': OwnHoursScreen,
  'my-messages': MessagesScreen,
  document: DocumentScreen,
  'documents-here': DocumentsScreen,
};

// What somebody tells the office is seldom told: it comes when it is begun.
const TellFromPhone = lazy(async () => {
  const { TellFromPhone: Loaded } = await import('@/features/feedback/field/tell-from-phone.tsx');
  return { default: Loaded };
});
function TellSoon() {
  const isTelling = useTelling(({ step }) => step !== 'none');
  return isTelling ? (
    <Suspense fallback={null}>
      <TellFromPhone />
    </Suspense>
  ) : null;
}

export default function FieldFace() {
  const me = useSession((state) => state.me);
  useEffect(
    () =>
      whenIdle(() => {
        // From the phone's own cache alone: over a poor network it would be in the way of what is sent.
        if (!navigator.serviceWorker?.controller) return;
        // What fails to come now is asked for again when it is gone to, and says so there.
        for (const bring of [bringSheet, bringDetails, bringThings, bringMap, bringDocuments])
          void bring().catch(() => undefined);
      }),
    [],
  );
  if (!me) return <Redirect href="/sign-in" />;
  return (
    <FaceProvider value={SCREENS}>
      <PhoneProvider parts={ON_PHONE}>
        <Column height="100%">
          <SkipLink />
          <SendingSaid />
          <FieldNotices />
          <TellSoon />
          <Column flex={1} minHeight={0}>
            <TroubleBoundary comfort="What you recorded is kept on this phone and goes out by itself.">
              <Suspense fallback={null}>
                <Slot />
              </Suspense>
            </TroubleBoundary>
          </Column>
        </Column>
      </PhoneProvider>
    </FaceProvider>
  );
}
