import { Refusal } from '../refusals/refusal.ts';
import { WorkerLine } from '../turns/worker-line.ts';
import type { Reading } from './table-worker.ts';

const LONGEST_MS = 20_000;
/** A small file can unpack to a very large one: it may take this much memory and no more. */
const MOST_MEMORY_MB = 300;

/** Reads files of rows in a worker thread, so that a bad one harms nobody else. */
export class TableReader {
  private readonly line: WorkerLine;

  constructor(worker: string, memoryMb = MOST_MEMORY_MB) {
    this.line = new WorkerLine({
      ...{ worker, memoryMb, longestMs: LONGEST_MS },
      ...{ threads: 1, waiting: 5 },
    });
  }

  async read(organisation: string, bytes: Uint8Array): Promise<string[][]> {
    const reading = await this.line
      .run(organisation, bytes)
      .then((result) => result as Reading)
      .catch((error: unknown): Reading => {
        if (error instanceof Refusal) throw error;
        return { problem: 'This file is too much to read. Take a part of it.' };
      });
    if ('problem' in reading) throw new Refusal(422, 'unreadable-table', reading.problem);
    return reading.lines;
  }

  close(): Promise<void> {
    return this.line.close();
  }
}
