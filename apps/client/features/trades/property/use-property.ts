import type * as Property from '@ant-trail/core/trades/property';
import { useEffect, useState } from 'react';

export type PropertyKit = typeof Property;

let known: PropertyKit | null = null;

/** The kit’s figures: they are here already, with the sheet that needs them. */
export function useProperty(): PropertyKit | null {
  const [kit, setKit] = useState(known);
  useEffect(() => {
    if (kit) return;
    void import('@ant-trail/core/trades/property').then((loaded) => {
      known = loaded;
      setKit(loaded);
    });
  }, [kit]);
  return kit;
}
