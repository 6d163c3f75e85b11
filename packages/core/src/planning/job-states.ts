export const JOB_STATES = [
  'draft',
  'planned',
  'under way',
  'turned back',
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
export type JobMark =
  'planned' | 'under way' | 'needs eyes' | 'finished' | 'received' | 'returned' | 'approved';

export interface JobStateRules {
  readonly mark: JobMark;
  /** Nothing more is expected of it: it is not planned again. */
  readonly settled: boolean;
  /** How many days after its day a visit of it stays on a phone; null where phones let it go at once. */
  readonly daysOnPhones: number | null;
  /** Whether a sheet of it can be read at the desk. */
  readonly readable: boolean;
  readonly decisions: readonly JobDecision[];
}

const open = {
  settled: false,
  readable: false,
  decisions: ['cancelled', 'closed'],
  daysOnPhones: 2,
} as const;
/** Work that is not done stays before somebody's eyes for a month. */
const undone = { ...open, daysOnPhones: 30 } as const;
const done = {
  settled: true,
  readable: true,
  decisions: ['reopened'],
  daysOnPhones: null,
} as const;

/** Every state of a job: how it is drawn, and what may be decided in it. Whatever is open may end. */
export const JOB_STATE_RULES: Readonly<Record<JobState, JobStateRules>> = {
  draft: { ...open, mark: 'planned', decisions: ['cancelled'] },
  planned: { ...undone, mark: 'planned', decisions: ['cancelled'] },
  'under way': { ...undone, mark: 'under way', readable: true },
  // Nobody goes there again until the office plans it anew.
  'turned back': { ...open, mark: 'needs eyes', readable: true },
  finished: { ...open, mark: 'finished', readable: true },
  'in review': { ...open, mark: 'received', readable: true },
  returned: { ...open, mark: 'returned', readable: true, daysOnPhones: Infinity },
  approved: { ...done, mark: 'approved', decisions: ['closed'], daysOnPhones: 2 },
  closed: { ...done, mark: 'approved' },
  cancelled: { ...done, mark: 'planned' },
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
