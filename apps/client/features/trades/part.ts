import type { AnswerValue } from '@ant-trail/core/log';
import type { SheetState } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';
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
