import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { DesignProvider } from '@/design/provider.tsx';
import { keepSettings } from '@/features/accounts/keep-settings.ts';
import { watchOtherWindows } from '@/features/accounts/session.ts';
import { followRoom } from '@/device/room.ts';
import { registerServiceWorker } from '@/features/sync/service-worker.ts';

registerServiceWorker();

export default function Root() {
  useEffect(() => watchOtherWindows(), []);
  useEffect(() => keepSettings(), []);
  useEffect(() => followRoom(), []);
  return (
    <DesignProvider>
      <Slot />
    </DesignProvider>
  );
}
