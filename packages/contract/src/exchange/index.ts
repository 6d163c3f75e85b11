import { z } from 'zod';

/** The largest file of rows that is read, in bytes. */
export const LARGEST_TABLE = 2_500_000;

/** A CSV or XLSX file, as base64: to be read into lines before anything is done with it. */
export const TableFile = z
  .object({
    name: z.string().trim().min(1).max(255),
    content: z
      .base64()
      .min(1, 'This file is empty.')
      .max(Math.ceil(LARGEST_TABLE / 3) * 4, 'This file is larger than 2.5 MB.'),
  })
  .strict();
export type TableFile = z.infer<typeof TableFile>;

/** The lines of a file, cell by cell, as text. */
export const TableLines = z.object({ lines: z.array(z.array(z.string())) });
export type TableLines = z.infer<typeof TableLines>;

export const TableFormat = z.enum(['csv', 'xlsx']);
export type TableFormat = z.infer<typeof TableFormat>;

/** What a file of rows can be taken in as, in the order an empty organisation begins. */
export const IMPORT_KINDS = ['people', 'clients', 'places', 'things', 'jobs'] as const;
export const ImportKind = z.enum(IMPORT_KINDS);
export type ImportKind = z.infer<typeof ImportKind>;

/** What a column of the file can be. */
export const ImportColumn = z.object({
  key: z.string(),
  label: z.string(),
  required: z.boolean(),
  /** What it is often called in files, in small letters. */
  known: z.array(z.string()),
  /** How it is written, where that is not plain. */
  help: z.string(),
});
export type ImportColumn = z.infer<typeof ImportColumn>;
export const ImportColumns = z.object({ columns: z.array(ImportColumn) });

/** A file to be taken in, with what each of its columns is (null for one that is left out). */
export const ImportOrder = TableFile.extend({
  uses: z.array(z.string().max(120).nullable()).max(200),
  /** Only looks, where false: what would come in, and what not. */
  really: z.boolean(),
  /** Takes in the others where some lines can't be. */
  without: z.boolean(),
}).strict();
export type ImportOrder = z.infer<typeof ImportOrder>;

export const ImportResult = z.object({
  /** Lines that can be taken in, or were. */
  fits: z.int(),
  refused: z.array(z.object({ line: z.int(), why: z.string() })),
  /** The first of them, in words. */
  sample: z.array(z.object({ line: z.int(), said: z.string() })),
  done: z.boolean(),
});
export type ImportResult = z.infer<typeof ImportResult>;
