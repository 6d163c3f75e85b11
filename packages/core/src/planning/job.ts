import type { Stage } from '../sheet/index.ts';

export const JOB_STATES = [
  'draft',
  'planned',
  'under way',
  'finished',
  'in review',
  'returned',
  'approved',
  'closed',
  'cancelled',
] as const;
export type JobState = (typeof JOB_STATES)[number];

/**
 * The state of a job from what is known of it. The office sees a finished sheet as "in review";
 * the phone, whose work may not have arrived, says "finished".
 */
export function jobState(job: {
  readonly cancelled: boolean;
  readonly hasPerson: boolean;
  readonly visited: boolean;
  readonly stages: readonly Stage[];
}): JobState {
  if (job.cancelled) return 'cancelled';
  const { stages } = job;
  if (stages.includes('returned')) return 'returned';
  if (stages.length > 0 && stages.every((stage) => stage === 'approved')) return 'approved';
  if (stages.length > 0 && stages.every((stage) => stage === 'finished' || stage === 'approved'))
    return 'in review';
  if (job.visited || stages.some((stage) => stage !== 'untouched')) return 'under way';
  return job.hasPerson ? 'planned' : 'draft';
}
