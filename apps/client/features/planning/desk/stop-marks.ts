import type { VisitCard } from '@ant-trail/contract/planning';
import { inZone, sayLength } from '@ant-trail/core/calendar';
import { minutesLate, type Stop, type StopState } from '@ant-trail/core/planning';
import type { MarkName } from '@/design/mark.tsx';

/** A visit as a stop of a lane, with what really happened in minutes of the site's day. */
export function stopOf({ visit }: VisitCard, timeZone: string): Stop {
  const minuteOf = (kind: 'set off' | 'arrived' | 'left'): number | undefined => {
    const event = visit.events.find((each) => each.kind === kind);
    if (!event) return undefined;
    const at = inZone(new Date(event.at), timeZone);
    return at.day === visit.day ? at.minute : undefined;
  };
  const [setOff, arrived, left] = [minuteOf('set off'), minuteOf('arrived'), minuteOf('left')];
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

export function markOf(card: VisitCard, state: StopState): MarkName {
  const { job } = card;
  if (job.state === 'returned') return 'returned';
  if (job.state === 'approved') return 'approved';
  if (job.state === 'in review') return 'received';
  if (state === 'late') return 'late';
  if (state === 'here') return 'next';
  return job.state === 'under way' ? 'under way' : 'planned';
}

/** Where a visit stands, in words. */
export function sayStop(card: VisitCard, stop: Stop, now: number | null): string {
  const late = now === null ? 0 : minutesLate(stop, now);
  if (late > 0 && (card.job.state === 'planned' || card.job.state === 'under way'))
    return `${sayLength(late)} late`;
  return card.job.state;
}
