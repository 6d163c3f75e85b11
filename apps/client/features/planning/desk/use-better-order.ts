import { OrderAnswer } from '@ant-trail/contract/planning/desk';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, wordsFor } from '@/device/api.ts';

/** For how long is looked, one time after the other, in seconds: soon a good answer, then a better one. */
const LOOKS = [1, 2, 4, 5, 5];
/** After so many looks that found nothing better it is left at that. */
const ENOUGH = 2;

export interface BetterOrderState {
  readonly order: OrderAnswer | null;
  readonly looking: boolean;
  readonly problem: string | null;
}

const NOTHING: BetterOrderState = { order: null, looking: false, problem: null };

/**
 * Has the office look for a better order of a day, on and on from the best so far, until it finds
 * nothing better or somebody has seen enough.
 */
export function useBetterOrder(day: string) {
  const [state, setState] = useState(NOTHING);
  const asked = useRef(0);
  const end = useCallback((): void => {
    asked.current++;
  }, []);
  // What was found for one day says nothing of another.
  useEffect(() => {
    setState(NOTHING);
    return end;
  }, [day, end]);
  const look = useCallback(
    async (evenly: boolean): Promise<void> => {
      const own = ++asked.current;
      setState({ ...NOTHING, looking: true });
      let best: OrderAnswer | null = null;
      let same = 0;
      for (const seconds of LOOKS) {
        let found: OrderAnswer;
        try {
          found = await ask(OrderAnswer, 'POST', '/api/orders', {
            ...{ day, seconds, evenly },
            ...(best ? { from: best.trails.map(visitsOf) } : {}),
          });
        } catch (error) {
          if (asked.current === own)
            setState({ order: best, looking: false, problem: wordsFor(error) });
          return;
        }
        if (asked.current !== own) return;
        same = best && JSON.stringify(best.trails) === JSON.stringify(found.trails) ? same + 1 : 0;
        best = found;
        if (same >= ENOUGH) break;
        setState({ order: best, looking: true, problem: null });
      }
      setState({ order: best, looking: false, problem: null });
    },
    [day],
  );
  const stop = useCallback((): void => {
    end();
    setState((before) => ({ ...before, looking: false }));
  }, [end]);
  const close = useCallback((): void => {
    end();
    setState(NOTHING);
  }, [end]);
  return { ...state, look, stop, close };
}

const visitsOf = ({ person, stops }: OrderAnswer['trails'][number]) => ({
  person,
  visits: stops.map(({ visit }) => visit),
});
