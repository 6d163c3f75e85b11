import type { AnswerValue } from '@ant-trail/core/log';
import type { SheetState } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';
import { MORE_KIT_PARTS } from './more-kit-parts.ts';

/** What a kit's own part of the capture screen is given: the sheet as it stands, and how to answer in it. */
export interface KitPartProps {
  readonly state: SheetState;
  readonly locked: boolean;
  /** Gives an answer by its path. Gives the words for the person when it can't be one. */
  readonly answer: (path: string, value: AnswerValue, unit?: string) => Promise<string | null>;
}

export interface KnownKitPart {
  /** Key of the kit in core. */
  readonly kit: string;
  readonly load: () => Promise<{ default: ComponentType<KitPartProps> }>;
}

/** Kits with a part of their own in the field, one line each; the others have their results alone. */
export const KIT_PARTS: readonly KnownKitPart[] = [...MORE_KIT_PARTS];
