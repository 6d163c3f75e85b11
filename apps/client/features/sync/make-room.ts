import type { LocalStore } from '@/device/local-store.ts';
import { spaceIsLow } from '@/device/storage.ts';

/**
 * Whether space on this phone runs low. It then makes room with pictures the office has, which
 * can be fetched from there again.
 */
export async function makeRoom(store: LocalStore): Promise<boolean> {
  const isLow = await spaceIsLow();
  if (isLow) await store.photos.filter(({ receivedAt }) => receivedAt !== null).delete();
  return isLow;
}
