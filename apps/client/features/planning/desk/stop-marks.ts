import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { inZone, sayLength } from '@ant-trail/core/calendar';
import {
  JOB_STATE_RULES,
  lastTry,
  minutesLate,
  turningBack,
  type Stop,
  type StopState,
  type VisitStep,
} from '@ant-trail/core/planning';
import type { MarkName } from '@/design/mark.tsx';

/** A visit as a stop of a lane, with what really happened in minutes of the site's day. */
export function stopOf({ visit }: BoardStop, timeZone: string): Stop {
  const minuteOf = (...kinds: VisitStep[]): number | undefined => {
    const event = lastTry(visit.events).find(({ kind }) => kinds.includes(kind));
    if (!event) return undefined;
    const at = inZone(new Date(event.at), timeZone);
    return at.day === visit.day ? at.minute : undefined;
  };
  const [setOff, arrived] = [minuteOf('set off'), minuteOf('arrived')];
  const left = minuteOf('left', 'turned back');
  return {
    id: visit.id,
    start: visit.start,
    minutes: visit.minutes,
    walked: {
      ...(setOff === undefined ? {} : { setOff }),
      ...(arrived === undefined ? {} : { arrived }),
      ...(left === undefined ? {} : { left }),
    },
  };
}

export function markOf(card: BoardStop, state: StopState): MarkName {
  // The visit itself turned back, whatever became of the job since.
  if (turningBack(card.visit.events)) return JOB_STATE_RULES['turned back'].mark;
  const { mark } = JOB_STATE_RULES[card.job.state];
  // While it is before somebody, or somebody is at it, the clock says more than the state.
  if (mark !== 'planned' && mark !== 'under way') return mark;
  if (state === 'late') return 'late';
  return state === 'here' ? 'next' : mark;
}

/** Where a visit stands, in words. */
export function sayStop(card: BoardStop, stop: Stop, now: number | null): string {
  if (turningBack(card.visit.events)) return 'turned back';
  const late = now === null ? 0 : minutesLate(stop, now);
  if (late > 0 && (card.job.state === 'planned' || card.job.state === 'under way'))
    return `${sayLength(late)} late`;
  return card.job.state;
}
