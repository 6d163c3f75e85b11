import { useEffect } from 'react';

const LOCK = 'ant-trail holds still';

/** While this is on the screen, no window of this browser is loaded anew for a newer version. */
export function useHoldStill(): void {
  useEffect(() => {
    let letGo = (): void => undefined;
    const held = new Promise<void>((resolve) => {
      letGo = resolve;
    });
    // Without locks (an older browser, or no secure page) there is no worker that takes over either.
    void globalThis.navigator?.locks?.request(LOCK, { mode: 'shared' }, () => held);
    return () => letGo();
  }, []);
}

/** Whether anything that is being written is on the screen, in whatever window. */
export async function isHeldStill(): Promise<boolean> {
  const { held = [] } = await navigator.locks.query();
  return held.some(({ name }) => name === LOCK);
}
