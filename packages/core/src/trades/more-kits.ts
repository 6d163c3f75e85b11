import type { KnownKit } from './kit.ts';

/** Kits that are plugged in by whoever builds the application; tests plug in one of their own here. */
export const MORE_KITS: readonly KnownKit[] = [];
