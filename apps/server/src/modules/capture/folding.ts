import { Piscina } from 'piscina';
import { Turns } from '../../turns/turns.ts';
import type { FoldTask, FoldTasks } from './fold-tasks.ts';

/** A sheet took longer to compute than any honest one does. */
export class TooMuchToFold extends Error {
  override name = 'TooMuchToFold';

  constructor(cause: unknown) {
    super('This sheet takes too long to compute.', { cause });
  }
}

const THREADS = 2;
const LONGEST_MS = 15_000;
const MOST_MEMORY_MB = 600;

/**
 * Folds sheets in worker threads with a deadline: templates are written by people, and a rule that
 * costs too much must stop neither the server nor anybody else's sheet.
 */
export class Folding {
  private readonly pool: Piscina;
  private readonly turns = new Turns({ atOnce: THREADS, each: THREADS, waiting: 2_000 });

  constructor(
    worker: string,
    private readonly longestMs = LONGEST_MS,
  ) {
    this.pool = new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
  }

  /** Throws {@link TooMuchToFold} when it takes too long or too much; the time counts from its turn. */
  do<Task extends FoldTask>(
    organisation: string,
    task: Task,
    ask: FoldTasks[Task]['ask'],
  ): Promise<FoldTasks[Task]['answer']> {
    return this.turns.take(organisation, async () => {
      const deadline = AbortSignal.timeout(this.longestMs);
      try {
        return (await this.pool.run(
          { task, ask },
          { signal: deadline },
        )) as FoldTasks[Task]['answer'];
      } catch (error) {
        const ranOut =
          error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY';
        if (deadline.aborted || ranOut) throw new TooMuchToFold(error);
        throw error;
      }
    });
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}
