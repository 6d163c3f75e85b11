import type { JobState } from '../planning/index.ts';

/** What has come of one walk of a round. */
export const WALK_STANDINGS = [
  'ahead',
  'today',
  'under way',
  'done',
  'in part',
  'missed',
  'called off',
] as const;
export type WalkStanding = (typeof WALK_STANDINGS)[number];

const NOT_BEGUN: readonly JobState[] = ['draft', 'planned'];
const DONE: readonly JobState[] = ['finished', 'in review', 'returned', 'approved', 'closed'];

/**
 * What has come of a walk, by the states of its jobs and by its day: missed when its day is over and
 * nobody began; in part when something of it is over and something was never begun or turned back from.
 */
export function walkStanding(jobs: readonly JobState[], day: string, today: string): WalkStanding {
  const open = jobs.filter((state) => state !== 'cancelled');
  if (open.length === 0) return 'called off';
  if (open.every((state) => DONE.includes(state))) return 'done';
  if (open.every((state) => NOT_BEGUN.includes(state)))
    return day > today ? 'ahead' : day === today ? 'today' : 'missed';
  return day < today && !open.includes('under way') ? 'in part' : 'under way';
}
