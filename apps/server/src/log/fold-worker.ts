import { loadPatterns } from '@ant-trail/core/logic';
import { prepareForAny } from '@ant-trail/core/sheet';
import { doFoldTask, type FoldTask, type FoldTasks } from './fold-tasks.ts';

interface Asked<Task extends FoldTask> {
  readonly task: Task;
  readonly ask: FoldTasks[Task]['ask'];
}

await Promise.all([loadPatterns(), prepareForAny()]);

/** The worker thread's one door: a task by its name, and its answer. */
export default function work<Task extends FoldTask>(asked: Asked<Task>): FoldTasks[Task]['answer'] {
  return doFoldTask(asked.task, asked.ask);
}
