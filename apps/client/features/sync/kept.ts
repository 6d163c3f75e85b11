import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from './phone.tsx';

/** What is kept here, what the office has, and what it refused. */
export interface Kept {
  readonly operations: number;
  readonly photos: number;
  readonly refused: number;
  readonly lastReceipt: string | null;
  readonly lastSync: string | null;
}

export async function countKept(store: LocalStore): Promise<Kept> {
  const waiting = await store.outbox.toArray();
  const photos = await store.photos.filter((photo) => photo.receivedAt === null).toArray();
  return {
    operations: waiting.filter((item) => item.refused === null).length,
    photos: photos.filter((photo) => photo.refused === null).length,
    refused:
      waiting.filter((item) => item.refused !== null).length +
      photos.filter((photo) => photo.refused !== null).length,
    lastReceipt: await store.note('last receipt'),
    lastSync: await store.note('last sync'),
  };
}

export function useKept(): Kept | undefined {
  const { store } = usePhone();
  return useLive(() => countKept(store), [store]);
}
