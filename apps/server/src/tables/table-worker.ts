import { readTableFile, UnreadableTable } from './table-file.ts';

export type Reading = { readonly lines: string[][] } | { readonly problem: string };

/** The worker thread's one task: a file in, its lines out, or why it can't be read. */
export default async function work(bytes: Uint8Array): Promise<Reading> {
  try {
    return { lines: await readTableFile(bytes) };
  } catch (error) {
    if (error instanceof UnreadableTable) return { problem: error.message };
    throw error;
  }
}
