import type { KnownKitPart } from '@/features/trades/part.ts';

/** The capture part of the kit for tests. */
export const MORE_KIT_PARTS: readonly KnownKitPart[] = [
  { kit: 'walls', load: () => import('./wall-part.tsx') },
];
