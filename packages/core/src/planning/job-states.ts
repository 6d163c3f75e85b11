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

/** What the office decides about a whole job, each with a reason. */
export const JOB_DECISIONS = ['cancelled', 'closed', 'reopened'] as const;
export type JobDecision = (typeof JOB_DECISIONS)[number];

/** How a state is drawn; the marks themselves belong to the interface. */
export type JobMark = 'planned' | 'under way' | 'finished' | 'received' | 'returned' | 'approved';

export interface JobStateRules {
  readonly mark: JobMark;
  /** Nothing more is expected of it: phones let it go, and it is not planned again. */
  readonly settled: boolean;
  /** Whether a sheet of it can be read at the desk. */
  readonly readable: boolean;
  readonly decisions: readonly JobDecision[];
}

const open = { settled: false, readable: false, decisions: ['cancelled', 'closed'] } as const;

/** Every state of a job: how it is drawn, and what may be decided in it. Whatever is open may end. */
export const JOB_STATE_RULES: Readonly<Record<JobState, JobStateRules>> = {
  draft: { ...open, mark: 'planned', decisions: ['cancelled'] },
  planned: { ...open, mark: 'planned', decisions: ['cancelled'] },
  'under way': { ...open, mark: 'under way', readable: true },
  finished: { ...open, mark: 'finished', readable: true },
  'in review': { ...open, mark: 'received', readable: true },
  returned: { ...open, mark: 'returned', readable: true },
  approved: { mark: 'approved', settled: true, readable: true, decisions: ['closed'] },
  closed: { mark: 'approved', settled: true, readable: true, decisions: ['reopened'] },
  cancelled: { mark: 'planned', settled: true, readable: true, decisions: ['reopened'] },
};

/** States in which nothing more is expected of a job. */
export const SETTLED_STATES: readonly JobState[] = JOB_STATES.filter(
  (state) => JOB_STATE_RULES[state].settled,
);

/** Says why something can't be decided about a job where it stands; null where it can. */
export function problemWithDecision(state: JobState, decision: JobDecision): string | null {
  if (JOB_STATE_RULES[state].decisions.includes(decision)) return null;
  if (decision === 'reopened') return 'Only a closed or cancelled job can be opened again.';
  if (state === 'closed' || state === 'cancelled') return `This job is ${state} already.`;
  return decision === 'closed'
    ? 'Nobody has begun this job: cancel it instead.'
    : 'What was approved stands: close the job instead.';
}
