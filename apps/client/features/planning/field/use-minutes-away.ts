import type { Place } from '@ant-trail/core/geo';
import { estimateTravelMinutes } from '@ant-trail/core/planning';
import { useMemo } from 'react';
import { currentFix } from '@/device/position.ts';
import { useWays } from '@/device/use-ways.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** How long it takes from one stop to another, in whole minutes: along the map, and estimated until it is laid. */
export function useMinutesAway(from: Place, to: Place): number {
  const { store } = usePhone();
  const network = useWays(store);
  return useMemo(() => {
    const way = network?.way(from, to, 'vehicle');
    return way ? Math.max(1, Math.round(way.minutes)) : estimateTravelMinutes(from, to);
  }, [network, from, to]);
}

/** Gives what estimates the way from where the phone is; where it can't tell, from the place before. */
export function useMinutesFromHere(to: Place, before: Place | undefined): () => Promise<number> {
  const { store } = usePhone();
  const network = useWays(store);
  return async () => {
    const from = (await currentFix()) ?? before;
    if (!from) return 0;
    const way = network?.way(from, to, 'vehicle');
    return way ? Math.max(1, Math.round(way.minutes)) : estimateTravelMinutes(from, to);
  };
}
