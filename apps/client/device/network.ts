import { setting } from './settings.ts';

interface Connection {
  readonly type?: string;
}

/**
 * Whether photos and documents may go over the network there is now. Only where somebody wants Wi-Fi
 * alone, and the phone says that this is none, they wait.
 */
export function mayCarryMuch(): boolean {
  if (setting('photosOver') === 'any network') return true;
  const { connection } = navigator as { readonly connection?: Connection };
  return connection?.type !== 'cellular';
}
