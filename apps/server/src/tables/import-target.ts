import type { ImportColumn, ImportKind } from '@ant-trail/contract/exchange';
import type { Ability } from '@ant-trail/core/accounts';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import type { Session } from '../http/session.ts';

/** The cells of one line, by what their columns are; empty ones are left out. */
export type ImportLine = ReadonlyMap<string, string>;

/** What a line came to: something to be kept, with the words it is shown by; or why it can't be. */
export type ReadLine<Draft> =
  { readonly draft: Draft; readonly said: string } | { readonly why: string };

/** What reads the lines of one file, one after the other: it knows of those before. */
export type LineReader<Draft> = (line: ImportLine, number: number) => ReadLine<Draft>;

/** Something a file of rows can be taken in as, as its capability declares it. */
export interface ImportTarget<Draft = unknown> {
  readonly kind: ImportKind;
  readonly allowed: Ability;
  /** What a column of the file can be. */
  readonly columns: (db: EntityManager) => Promise<readonly ImportColumn[]>;
  /** Gets ready to read the lines of a file: what is there already is asked once. */
  readonly begin: (db: EntityManager, session: Session) => Promise<LineReader<Draft>>;
  /** Keeps all of them: all or none. */
  readonly keep: (db: EntityManager, session: Session, drafts: readonly Draft[]) => Promise<void>;
}

/** For a list of targets, which all keep something else. */
export const importTarget = <Draft>(declared: ImportTarget<Draft>): ImportTarget =>
  // Each is only ever given drafts that its own reader has made.
  declared as unknown as ImportTarget;

/** A column that can be told by what it is often called. */
export const column = (
  key: string,
  label: string,
  known: readonly string[],
  more: { readonly required?: boolean; readonly help?: string } = {},
): ImportColumn => ({
  ...{ key, label, required: more.required ?? false, help: more.help ?? '' },
  known: [label.toLowerCase(), ...known],
});

/** A draft as its schema reads it, or what is wrong with it in the words of a person. */
export function readDraft<Draft>(
  schema: z.ZodType<Draft>,
  said: unknown,
  labels: Readonly<Record<string, string>> = {},
): { readonly draft: Draft } | { readonly why: string } {
  const read = schema.safeParse(said);
  if (read.success) return { draft: read.data };
  const [issue] = read.error.issues;
  const field = String(issue?.path[0] ?? '');
  const label = labels[field] ?? field;
  // What Zod says itself is for programmers; the schemas' own sentences end like one.
  const words = issue?.message.endsWith('.') ? issue.message : 'can’t be read so.';
  return { why: label ? `${label}: ${words}` : words };
}

/** Words as they are told apart: however they are written large or small. */
export const plain = (text: string): string => text.trim().toLowerCase();

/** What is there already, before the file (line 0) or on one of its lines. */
export const sayThere = (what: string, line: number): string =>
  line === 0 ? `${what} already.` : `${what} on line ${line} already.`;

/** What can be named by a word; null where several things could be meant. */
export function onceOnly(pairs: Iterable<readonly [string, string]>): Map<string, string | null> {
  const known = new Map<string, string | null>();
  for (const [word, id] of pairs) known.set(word, known.has(word) ? null : id);
  return known;
}
