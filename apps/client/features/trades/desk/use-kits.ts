import { loadAllKits } from '@ant-trail/core/trades';
import { useEffect, useState } from 'react';

/** Brings every kit there is, for the builder, which offers them all. Says when they are there. */
export function useKits(): boolean {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    void loadAllKits().then(() => setReady(true));
  }, []);
  return ready;
}
