import { PlannersAnswer } from '@ant-trail/contract/planning/desk';
import { useEffect } from 'react';
import { sayNearDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { tell } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';

/** Whoever looks at the board says so from time to time: the office forgets them after a minute. */
const STILL_HERE_MS = 25_000;

export interface AlsoPlanningProps {
  readonly day: string;
  readonly today: string;
  readonly name: (id: string) => string;
}

/** Who else plans just now, so that two do not put the same things right. */
export function AlsoPlanning({ day, today, name }: AlsoPlanningProps) {
  const { answer, again } = useOffice(PlannersAnswer, '/api/planners', ['planner']);
  useEffect(() => {
    const here = (): void => {
      // Whoever looks elsewhere plans nothing.
      if (document.visibilityState === 'visible')
        tell('POST', '/api/planners', { day }).then(again, () => undefined);
    };
    here();
    const timer = setInterval(here, STILL_HERE_MS);
    return () => clearInterval(timer);
  }, [day, again]);
  useEffect(
    () => () => void tell('POST', '/api/planners', { day: null }).catch(() => undefined),
    [],
  );
  const others = answer?.planners ?? [];
  if (others.length === 0) return null;
  return (
    <Body small role="status">
      {others
        .map((each) =>
          each.day === day
            ? `${name(each.person)} plans this day, too`
            : `${name(each.person)} plans ${sayNearDay(each.day, today)}`,
        )
        .join(' · ')}
    </Body>
  );
}
