import { inZone } from '../../calendar/index.ts';
import { JOB_STATE_RULES, type JobState } from '../job-states.ts';
import { isOver, lastTry, turningBack, type SaidStep } from '../visit.ts';
import type { DayVisit } from './day.ts';

/** A visit as far as it matters how far it has come. */
export interface SteppedVisit {
  /** Local day, “2031-04-05”. */
  readonly day: string;
  /** What was said of it, with the instant of each. */
  readonly events: readonly (SaidStep & { readonly at: string })[];
}

/** How far a visit has come, by minutes of its own day. */
export function standingOf(visit: SteppedVisit, timeZone: string): DayVisit['standing'] {
  const steps = lastTry(visit.events);
  const minuteOf = (kinds: readonly string[]): number | null => {
    const step = steps.findLast(({ kind }) => kinds.includes(kind));
    if (!step) return null;
    const at = inZone(new Date(step.at), timeZone);
    // What ended on another day has nothing to do with this one’s hours.
    return at.day === visit.day ? at.minute : at.day < visit.day ? 0 : 24 * 60;
  };
  const since = minuteOf(['arrived']);
  if (isOver(steps)) return { is: 'over', since: minuteOf(['left', 'turned back']) ?? 0 };
  if (since !== null) return { is: 'arrived', since };
  return steps.length > 0 ? { is: 'set off' } : { is: 'ahead' };
}

/** Nobody plans anew what is settled, or has turned back and is planned in its place. */
export const isToOrder = (job: JobState, visit: SteppedVisit, timeZone: string): boolean =>
  turningBack(visit.events) === null &&
  (!JOB_STATE_RULES[job].settled || standingOf(visit, timeZone).is !== 'ahead');
