import type { AnswerValue } from './answer-value.ts';

/**
 * One immutable event in a sheet's log. Phones and the office only ever append entries;
 * everything a sheet shows is folded from them.
 */
export interface Entry {
  /** UUIDv7, made by the device that wrote it. */
  readonly id: string;
  readonly sheet: string;
  readonly path: string;
  readonly kind: EntryKind;
  readonly value: AnswerValue | null;
  /** UCUM code of the unit the value was entered in; stored as entered. */
  readonly unit?: string;
  /** Why a value was corrected, or the word that goes with a return. */
  readonly reason?: string;
  /** The heads of this path that the author had before them. */
  readonly seen: readonly string[];
  /** Person id of the author. */
  readonly by: string;
  readonly device: string;
  /** When it happened by the author's clock, as an RFC 3339 instant in UTC. */
  readonly at: string;
  /** Hash of the device's previous entry, or null for its first. */
  readonly prev: string | null;
}

/** What an author says; who, when and after what are added as it is kept. */
export type EntryDraft = Omit<Entry, 'id' | 'device' | 'at' | 'prev'>;

/**
 * - `answer` sets a path, `clear` takes the answer away again;
 * - `correct` is the office's answer, with a reason;
 * - `prepare` is the office's answer before anybody went, or null where it is taken back: whatever
 *   is said by somebody else on its path stands instead, and nothing is begun by it;
 * - `finish`, `return` and `approve` move the sheet as a whole and live on {@link STAGE_PATH}.
 */
export const ENTRY_KINDS = [
  'answer',
  'clear',
  'correct',
  'prepare',
  'finish',
  'return',
  'approve',
] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** Whether an entry takes away what stood on its path. */
export const takesAway = ({ kind, value }: Pick<Entry, 'kind' | 'value'>): boolean =>
  kind === 'clear' || (kind === 'prepare' && value === null);
