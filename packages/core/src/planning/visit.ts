import type { Part } from './parts.ts';

/** What somebody may say of a visit, in the order it usually happens. */
export const VISIT_STEPS = ['set off', 'arrived', 'left', 'turned back'] as const;
export type VisitStep = (typeof VISIT_STEPS)[number];

export interface SaidStep {
  /** Ordered by time: a later one has a greater id. */
  readonly id: string;
  readonly kind: VisitStep;
}

/** How one person's attendance stands: whether it began, or ended with nothing done. */
export type VisitStanding = 'nobody' | 'planned' | 'under way' | 'turned back';

export function visitStanding(person: string | null, steps: readonly SaidStep[]): VisitStanding {
  if (turningBack(steps)) return 'turned back';
  if (steps.length > 0) return 'under way';
  return person === null ? 'nobody' : 'planned';
}

/** The step by which somebody turned back; null where they did not, or tried again since. */
export function turningBack<Step extends SaidStep>(steps: readonly Step[]): Step | null {
  const last = inOrder(steps).at(-1);
  return last?.kind === 'turned back' ? last : null;
}

/** The steps of the last try: whoever turned back and tries again sets off and arrives anew. */
export function lastTry<Step extends SaidStep>(steps: readonly Step[]): readonly Step[] {
  const ordered = inOrder(steps);
  const before = ordered.slice(0, -1).findLastIndex(({ kind }) => kind === 'turned back');
  return ordered.slice(before + 1);
}

/** Whether a step was said in a try that still goes on. */
export const hasSaid = (steps: readonly SaidStep[], kind: VisitStep): boolean =>
  turningBack(steps) === null && lastTry(steps).some((step) => step.kind === kind);

/** Whether nobody is on their way or there any more: they left, or turned back and have not tried again. */
export function isOver(steps: readonly SaidStep[]): boolean {
  const last = inOrder(steps).at(-1)?.kind;
  return last === 'left' || last === 'turned back';
}

/** A visit as far as it matters which of a job's visits counts. */
export interface OrderedVisit {
  readonly id: string;
  readonly part: Part;
  /** Local day, "2031-04-05", and minute of it. */
  readonly day: string;
  readonly start: number;
  readonly events: readonly SaidStep[];
}

/**
 * Visits in the order they count: whoever leads before who helps, and one that turned back behind those
 * that go on, since another is planned in its place; then by time.
 */
export function visitsInOrder<Visit extends OrderedVisit>(visits: readonly Visit[]): Visit[] {
  const rank = ({ part, events }: Visit): number =>
    Number(part === 'helps') * 2 + Number(turningBack(events) !== null);
  return [...visits].sort(
    (a, b) =>
      rank(a) - rank(b) ||
      (a.day === b.day ? a.start - b.start : a.day < b.day ? -1 : 1) ||
      (a.id < b.id ? -1 : 1),
  );
}

const inOrder = <Step extends SaidStep>(steps: readonly Step[]): readonly Step[] =>
  [...steps].sort((a, b) => (a.id < b.id ? -1 : 1));
