import type { Catalogue } from '@ant-trail/core/catalogues';
import type { AnswerValue } from '@ant-trail/core/log';
import type { QuestionState, RowState, SheetState } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';

/** What a kit's own part of the capture screen is given: the sheet as it stands, and how to answer in it. */
export interface KitPartProps {
  readonly state: SheetState;
  readonly locked: boolean;
  /** Gives an answer by its path. Gives the words for the person when it can't be one. */
  readonly answer: (path: string, value: AnswerValue, unit?: string) => Promise<string | null>;
  /** The section it is shown in. */
  readonly section: string;
  /** Says all of it, or none. Gives the words for the person when it can't be said. */
  readonly write: (said: readonly Said[]) => Promise<string | null>;
  /** Goes to a question, in whatever section. */
  readonly seek: (path: string) => void;
  /** A catalogue as it is here; null where it is not. */
  readonly listOf: (key: string) => Promise<Catalogue | null>;
  /** What was read under a path at visits before, oldest first, in its question’s unit. */
  readonly readBefore: (path: string) => readonly Past[];
}

/** A reading of a visit before. */
export interface Past {
  /** An instant, ISO 8601. */
  readonly at: string;
  readonly value: number;
}

export interface KnownKitPart {
  /** Key of the kit in core. */
  readonly kit: string;
  /** Sections it belongs to, by their ids; where left out it stands in the first. */
  readonly sections?: readonly string[];
  readonly load: () => Promise<{ default: ComponentType<KitPartProps> }>;
}

/** One thing said at one path; null takes away what is said there. */
export interface Said {
  readonly path: string;
  readonly value: AnswerValue | null;
  readonly unit?: string;
}

/** What a kit's own way of showing a group of rows is given. */
export interface KitRowsProps {
  /** The group, at the top of the sheet. */
  readonly state: QuestionState;
  /** The sheet it stands in: asked for by those alone that are drawn anew with every answer. */
  readonly useWhole: () => SheetState;
  readonly locked: boolean;
  /** What the sheet is about, as people call it. */
  readonly about: string;
  /** Says all of it, or none. Gives the words for the person when it can't be said. */
  readonly write: (said: readonly Said[]) => Promise<string | null>;
  /** Somebody begins to type at a path: what others say there from now on they have not seen. */
  readonly onType: (path: string) => void;
  /** They are done: what they said follows all that is there. */
  readonly onTyped: (path: string) => void;
  /** Draws one question with all that belongs to it. */
  readonly Question: ComponentType<{ readonly state: QuestionState; readonly locked: boolean }>;
  /** Closes blanks out in one step; null where nobody may. */
  readonly CloseOut: ComponentType<{
    readonly blanks: readonly string[];
    readonly where: string;
  }> | null;
  /** Adds rows from the register or by a pattern; null where that is done otherwise. */
  readonly Add: ComponentType<{ readonly state: QuestionState }> | null;
  /** Leads from the label on a thing to its row; null at a desk. */
  readonly Scan: ComponentType<ScanRowProps> | null;
  /** A question in the group that is to be shown; `onShown` once it is. */
  readonly sought: string | null;
  readonly onShown: () => void;
  /** A catalogue as it is here; null where it is not. */
  readonly listOf: (key: string) => Promise<Catalogue | null>;
}

export interface ScanRowProps {
  /** One of them, as in “circuit”. */
  readonly each: string;
  readonly rows: readonly RowState[];
  readonly scanning: boolean;
  readonly onScanning: (scanning: boolean) => void;
  readonly onFound: (id: string) => void;
  /** Words for the person where a label leads to no row; null where there is nothing to say any more. */
  readonly onTrouble: (words: string | null) => void;
}

export interface KnownKitRows {
  readonly kit: string;
  /** Key of the row group it shows. */
  readonly rows: string;
  readonly load: () => Promise<{ default: ComponentType<KitRowsProps> }>;
}
