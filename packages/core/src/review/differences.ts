import type { AnswerValue, Entry, EntryKind } from '../log/index.ts';
import {
  isRow,
  sayPath,
  type QuestionState,
  type SheetState,
  type TemplateBody,
} from '../sheet/index.ts';

/** One side of a difference: who said it, and what is written to let it stand. */
export interface Side {
  readonly entry: Entry;
  /** What it comes to when that is not what the entry itself says, such as a row that stays. */
  readonly words?: 'stays' | 'goes';
  readonly kind: Extract<EntryKind, 'correct' | 'clear'>;
  readonly value: AnswerValue | null;
  readonly unit?: string;
}

/** Something of which people, none of whom knew the other's word, said different things. */
export interface Difference {
  readonly path: string;
  readonly title: string;
  readonly sides: readonly Side[];
}

/** Everything people differ about in one question, the rows of a row group included. */
export function differencesIn(body: TemplateBody, state: QuestionState): Difference[] {
  const found: Difference[] = [];
  const add = (path: string, sides: readonly Side[], title = sayPath(body, path)): void => {
    found.push({ path, title, sides });
  };
  if (state.disagreement.length > 0) add(state.path, state.disagreement.map(sideOf));
  for (const { path, entries } of state.conflicts) add(path, entries.map(sideOf));
  for (const row of state.rows) {
    if (row.removal) {
      const stays = { order: row.order, name: row.name };
      add(
        row.path,
        [
          { entry: row.removal, words: 'goes', kind: 'clear', value: null },
          { entry: row.removal, words: 'stays', kind: 'correct', value: stays },
        ],
        row.name,
      );
    } else if (row.naming.length > 0) add(row.path, row.naming.map(sideOf), row.name);
  }
  return found;
}

/** The two programmes a sheet is said to be for; null when people agree. */
export const programmeDifference = (
  body: TemplateBody,
  { programmeConflict }: SheetState,
  path: string,
): Difference | null =>
  programmeConflict.length > 0
    ? { path, title: sayPath(body, path), sides: programmeConflict.map(sideOf) }
    : null;

function sideOf(entry: Entry): Side {
  if (entry.kind === 'clear' || entry.value === null) return { entry, kind: 'clear', value: null };
  return {
    entry,
    kind: 'correct',
    value: entry.value,
    ...(entry.unit === undefined ? {} : { unit: entry.unit }),
  };
}

/** What one side says where it is no answer of its question: a row's name, or that it is gone. */
export function saySide({ words, value }: Side): string | null {
  if (words === 'stays') return 'It stays';
  if (words === 'goes') return 'It was removed';
  if (value === null) return 'Taken away';
  return isRow(value) ? value.name : null;
}
