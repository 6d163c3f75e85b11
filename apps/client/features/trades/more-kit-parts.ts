import type { KnownKitPart } from './part.ts';

/** Parts that are plugged in by whoever builds the application; tests plug in one of their own here. */
export const MORE_KIT_PARTS: readonly KnownKitPart[] = [];
