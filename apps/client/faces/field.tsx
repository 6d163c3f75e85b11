import { Redirect, Slot } from 'expo-router';
import { lazy, Suspense } from 'react';
import { FaceProvider } from '@/design/face.tsx';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { useSession } from '@/features/accounts/session.ts';
import { TrailScreen } from '@/features/planning/field/trail-screen.tsx';
import { PhoneProvider } from '@/features/sync/phone.tsx';

// The trail is on the screen first; the rest comes when it is gone to, from the phone's own cache.
const SheetScreen = lazy(async () => {
  const { SheetScreen: Loaded } = await import('@/features/capture/field/sheet-screen.tsx');
  return { default: Loaded };
});
const VisitScreen = lazy(async () => {
  const { VisitScreen: Loaded } = await import('@/features/planning/field/visit-screen.tsx');
  return { default: Loaded };
});
const KeptScreen = lazy(async () => {
  const { KeptScreen: Loaded } = await import('@/features/sync/field/kept-screen.tsx');
  return { default: Loaded };
});
const SelfScreen = lazy(async () => {
  const { SelfScreen: Loaded } = await import('@/features/accounts/field/self-screen.tsx');
  return { default: Loaded };
});

const SCREENS = {
  trail: TrailScreen,
  visit: VisitScreen,
  sheet: SheetScreen,
  kept: KeptScreen,
  self: SelfScreen,
};

export default function FieldFace() {
  const me = useSession((state) => state.me);
  if (!me) return <Redirect href="/sign-in" />;
  return (
    <FaceProvider value={SCREENS}>
      <PhoneProvider>
        <TroubleBoundary comfort="What you recorded is kept on this phone and goes out by itself.">
          <Suspense fallback={null}>
            <Slot />
          </Suspense>
        </TroubleBoundary>
      </PhoneProvider>
    </FaceProvider>
  );
}
