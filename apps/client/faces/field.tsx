import { Redirect, Slot } from 'expo-router';
import { FaceProvider } from '@/design/face.tsx';
import { SelfScreen } from '@/features/accounts/field/self-screen.tsx';
import { useSession } from '@/features/accounts/session.ts';
import { SheetScreen } from '@/features/capture/field/sheet-screen.tsx';
import { TrailScreen } from '@/features/planning/field/trail-screen.tsx';
import { VisitScreen } from '@/features/planning/field/visit-screen.tsx';
import { KeptScreen } from '@/features/sync/field/kept-screen.tsx';
import { PhoneProvider } from '@/features/sync/phone.tsx';

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
        <Slot />
      </PhoneProvider>
    </FaceProvider>
  );
}
