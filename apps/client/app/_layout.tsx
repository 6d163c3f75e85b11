import { Slot } from 'expo-router';
import { DesignProvider } from '@/design/provider.tsx';
import { registerServiceWorker } from '@/features/sync/service-worker.ts';

registerServiceWorker();

export default function Root() {
  return (
    <DesignProvider>
      <Slot />
    </DesignProvider>
  );
}
