import { useEffect, useRef, useState } from 'react';

/** A second tap within this is the same press: gloves, wet glass and double-clickers make two of one. */
export const AGAIN_MS = 350;

export interface OnePress {
  readonly press: (act: () => unknown) => void;
  /** For `aria-disabled`: just now a press would do nothing. */
  readonly resting: true | undefined;
}

/**
 * One press, one act: a press that follows too soon does nothing, nor does one while what was begun
 * goes on. What was pressed may have become something else meanwhile, so the pause holds for the
 * place on the screen, not for the act.
 */
export function useOnePress(pauseMs = AGAIN_MS): OnePress {
  const held = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [resting, setResting] = useState(false);
  useEffect(() => () => clearTimeout(timer.current), []);
  const rest = (isHeld: boolean): void => {
    held.current = isHeld;
    setResting(isHeld);
  };
  const press = (act: () => unknown): void => {
    if (held.current) return;
    const came = act();
    if (pauseMs === 0 && !(came instanceof Promise)) return;
    rest(true);
    const after = (): void => {
      timer.current = setTimeout(() => rest(false), pauseMs);
    };
    if (came instanceof Promise) void came.finally(after);
    else after();
  };
  return { press, resting: resting || undefined };
}
