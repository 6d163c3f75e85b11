import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { DesignProvider } from '@/design/provider.tsx';
import { watchOtherWindows } from '@/features/accounts/session.ts';
import { registerServiceWorker } from '@/features/sync/service-worker.ts';

registerServiceWorker();

export default function Root() {
  useEffect(() => watchOtherWindows(), []);
  return (
    <DesignProvider>
      <Slot />
    </DesignProvider>
  );
}
