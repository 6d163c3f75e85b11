import { WorkerLine } from '../turns/worker-line.ts';
import type { FoldTask, FoldTasks } from './fold-tasks.ts';

const LONGEST_MS = 15_000;

/**
 * Folds sheets in worker threads with a deadline: templates are written by people, and a rule that
 * costs too much must stop neither the server nor anybody else's sheet.
 */
export class Folding {
  private readonly line: WorkerLine;

  constructor(worker: string, longestMs = LONGEST_MS) {
    this.line = new WorkerLine({ worker, threads: 2, memoryMb: 600, longestMs, waiting: 2_000 });
  }

  /** Throws TooMuchWork when it takes too long or too much. */
  async do<Task extends FoldTask>(
    organisation: string,
    task: Task,
    ask: FoldTasks[Task]['ask'],
  ): Promise<FoldTasks[Task]['answer']> {
    return (await this.line.run(organisation, { task, ask })) as FoldTasks[Task]['answer'];
  }

  close(): Promise<void> {
    return this.line.close();
  }
}
