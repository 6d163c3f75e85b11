import { inZone, type LocalMoment } from '@ant-trail/core/calendar';
import { useEffect, useState } from 'react';

/** The day and minute at the sites, kept current. */
export function useNow(timeZone: string): LocalMoment {
  const [now, setNow] = useState(() => inZone(new Date(), timeZone));
  useEffect(() => {
    const timer = setInterval(() => setNow(inZone(new Date(), timeZone)), 15_000);
    return () => clearInterval(timer);
  }, [timeZone]);
  return now;
}
