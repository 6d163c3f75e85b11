import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { DesignProvider } from '@/design/provider.tsx';
import { watchOtherWindows } from '@/features/accounts/session.ts';
import { followRoom } from '@/device/room.ts';
import { registerServiceWorker } from '@/features/sync/service-worker.ts';

registerServiceWorker();

export default function Root() {
  useEffect(() => watchOtherWindows(), []);
  useEffect(() => followRoom(), []);
  return (
    <DesignProvider>
      <Slot />
    </DesignProvider>
  );
}
