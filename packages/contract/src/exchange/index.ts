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
