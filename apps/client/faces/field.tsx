import { Redirect, Slot } from 'expo-router';
import { lazy, Suspense } from 'react';
import { FaceProvider } from '@/design/face.tsx';
import { SelfScreen } from '@/features/accounts/field/self-screen.tsx';
import { useSession } from '@/features/accounts/session.ts';
import { TrailScreen } from '@/features/planning/field/trail-screen.tsx';
import { VisitScreen } from '@/features/planning/field/visit-screen.tsx';
import { KeptScreen } from '@/features/sync/field/kept-screen.tsx';
import { PhoneProvider } from '@/features/sync/phone.tsx';

// The sheet comes after the trail is on the screen.
const SheetScreen = lazy(async () => {
  const { SheetScreen: Loaded } = await import('@/features/capture/field/sheet-screen.tsx');
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
        <Suspense fallback={null}>
          <Slot />
        </Suspense>
      </PhoneProvider>
    </FaceProvider>
  );
}
