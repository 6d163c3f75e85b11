import { inZone, type LocalMoment } from '@ant-trail/core/calendar';
import { useEffect, useState } from 'react';
import { officeTime, useClock } from './clock.ts';

/** The day and minute at the sites, kept current. */
export function useNow(timeZone: string): LocalMoment {
  const [now, setNow] = useState(() => inZone(officeTime(), timeZone));
  useEffect(() => {
    const look = (): void => setNow(inZone(officeTime(), timeZone));
    const timer = setInterval(look, 15_000);
    const deaf = useClock.subscribe(look);
    return () => {
      clearInterval(timer);
      deaf();
    };
  }, [timeZone]);
  return now;
}
