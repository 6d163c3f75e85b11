import { Piscina } from 'piscina';
import { Refusal } from '../../http/problem.ts';
import { Turns } from '../../turns/turns.ts';
import type { Reading } from './table-worker.ts';

const LONGEST_MS = 20_000;
/** A small file can unpack to a very large one: it may take this much memory and no more. */
const MOST_MEMORY_MB = 300;
const THREADS = 1;
const MOST_WAITING = 5;

/** Reads files of rows in a worker thread, so that a bad one harms nobody else. */
export class TableReader {
  private readonly pool: Piscina;
  private readonly turns = new Turns({ atOnce: THREADS, each: THREADS, waiting: MOST_WAITING });

  constructor(
    worker: string,
    mostMemoryMb = MOST_MEMORY_MB,
    private readonly longestMs = LONGEST_MS,
  ) {
    this.pool = new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads: THREADS,
      resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb },
    });
  }

  /** The time to read counts from when its turn has come. */
  async read(organisation: string, bytes: Uint8Array): Promise<string[][]> {
    const reading = await this.turns.take(organisation, () =>
      this.pool
        .run(bytes, { signal: AbortSignal.timeout(this.longestMs) })
        .then((result) => result as Reading)
        .catch((): Reading => ({ problem: 'This file is too much to read. Take a part of it.' })),
    );
    if ('problem' in reading) throw new Refusal(422, 'unreadable-table', reading.problem);
    return reading.lines;
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}
