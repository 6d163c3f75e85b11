import type { Stage } from '../sheet/index.ts';
import type { JobDecision, JobState } from './job-states.ts';
import type { VisitStanding } from './visit.ts';

/** How long unplanned work is taken to last until somebody plans it, in minutes (our own choice). */
export const UNPLANNED_MINUTES = 45;

export interface KnownOfJob {
  /** The office's last word on the whole job; null while it has said none. */
  readonly decision: JobDecision | null;
  /** The visits of whoever leads, and of whoever helps. */
  readonly leading: readonly VisitStanding[];
  readonly helping: readonly VisitStanding[];
  /** Of every sheet of the job that is not left out. */
  readonly stages: readonly Stage[];
  /** How many sheets somebody went past. */
  readonly leftOut?: number;
  /** How many sheets the job is to have in the end; null where those it has are all. */
  readonly expected: number | null;
  /** Somebody at the place has to sign, and has not. */
  readonly unsigned?: boolean;
}

/** Somebody turned back and nobody goes on; where it was who leads, helpers alone do not. */
function isTurnedBack({ leading, helping }: Pick<KnownOfJob, 'leading' | 'helping'>): boolean {
  const all = [...leading, ...helping];
  const toCome = leading.includes('turned back') ? leading : all;
  return all.includes('turned back') && !all.includes('under way') && !toCome.includes('planned');
}

/**
 * The state of a job from what is known of it. The office sees finished sheets as "in review"; the
 * phone, whose work may not have arrived, says "finished".
 */
export function jobState(known: KnownOfJob): JobState {
  const { decision, leading, helping, stages, expected, leftOut = 0, unsigned = false } = known;
  const visits = [...leading, ...helping];
  if (decision === 'cancelled' || decision === 'closed') return decision;
  if (stages.includes('returned')) return 'returned';
  // Nothing of it was done: the office plans it anew, as if somebody had turned back.
  if (stages.length === 0 && leftOut > 0) return 'turned back';
  const complete = !unsigned && stages.length > 0 && stages.length + leftOut >= (expected ?? 0);
  if (complete && stages.every((stage) => stage === 'approved')) return 'approved';
  if (complete && stages.every((stage) => stage === 'finished' || stage === 'approved'))
    return 'in review';
  if (isTurnedBack(known)) return 'turned back';
  if (visits.includes('under way') || stages.some((stage) => stage !== 'untouched'))
    return 'under way';
  return visits.includes('planned') ? 'planned' : 'draft';
}
