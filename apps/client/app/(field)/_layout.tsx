import { Redirect, Slot } from 'expo-router';
import { useSession } from '@/features/accounts/session.ts';
import { PhoneProvider } from '@/features/sync/phone.tsx';

export default function FieldLayout() {
  const me = useSession((state) => state.me);
  if (!me) return <Redirect href="/sign-in" />;
  return (
    <PhoneProvider>
      <Slot />
    </PhoneProvider>
  );
}
