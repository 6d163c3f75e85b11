import type { WayNetwork } from '@ant-trail/core/maps/ways';
import { useEffect, useState } from 'react';
import type { LocalStore } from './local-store.ts';
import { useLive } from './use-live.ts';
import { whenIdle } from './when-idle.ts';

/** The net of ways of the map on this phone; null until it is laid, undefined where the map has none. */
export function useWays(store: LocalStore): WayNetwork | null | undefined {
  const layers = useLive(() => store.mapLayers.toArray(), [store]);
  const [network, setNetwork] = useState<WayNetwork | null>(null);
  useEffect(() => {
    if (!layers) return undefined;
    let over = false;
    // The screen comes first, and what lays the net comes after it.
    const call = whenIdle(() => {
      void import('@ant-trail/core/maps/ways').then(
        ({ WayNetwork: Net, wayLines }) =>
          over ? undefined : setNetwork(new Net(wayLines(layers))),
        () => undefined,
      );
    });
    return () => {
      over = true;
      call();
    };
  }, [layers]);
  return network?.isEmpty ? undefined : network;
}
