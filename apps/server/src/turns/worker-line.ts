import { Piscina } from 'piscina';
import { Turns } from './turns.ts';

/** A task took longer, or more memory, than any honest one does. */
export class TooMuchWork extends Error {
  override name = 'TooMuchWork';
}

export interface WorkerRules {
  /** The file of the worker. */
  readonly worker: string;
  readonly threads: number;
  readonly memoryMb: number;
  readonly longestMs: number;
  /** How many tasks of one organisation may wait. */
  readonly waiting: number;
}

/**
 * Worker threads that organisations use in turns. A task that runs out of its time or memory is
 * ended, and its thread with it; the time counts from its turn, not from when it was asked for.
 */
export class WorkerLine {
  private readonly pool: Piscina;
  private readonly turns: Turns;

  constructor(private readonly rules: WorkerRules) {
    const { worker, threads, memoryMb, waiting } = rules;
    this.turns = new Turns({ atOnce: threads, each: threads, waiting });
    this.pool = new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: memoryMb },
    });
    // A thread that dies between tasks is made anew; unheard, this would end the server.
    this.pool.on('error', () => undefined);
  }

  /** Throws {@link TooMuchWork}, a refusal when too many wait, or what the task threw. */
  run(organisation: string, task: unknown): Promise<unknown> {
    return this.turns.take(organisation, async () => {
      const deadline = AbortSignal.timeout(this.rules.longestMs);
      try {
        return (await this.pool.run(task, { signal: deadline })) as unknown;
      } catch (error) {
        const code = error instanceof Error && 'code' in error ? error.code : null;
        if (deadline.aborted || code === 'ERR_WORKER_OUT_OF_MEMORY')
          throw new TooMuchWork('This takes too much time or memory.', { cause: error });
        throw error;
      }
    });
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}
