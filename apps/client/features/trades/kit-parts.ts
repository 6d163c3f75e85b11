import { MORE_KIT_PARTS } from './more-kit-parts.ts';
import type { KnownKitPart } from './part.ts';

/** Kits with a part of their own in the field, one line each; the others have their results alone. */
export const KIT_PARTS: readonly KnownKitPart[] = [...MORE_KIT_PARTS];
