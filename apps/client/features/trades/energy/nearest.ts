import type { NearestWay, Taken } from '@ant-trail/core/trades/energy';
import { useEffect, useState } from 'react';
import type { EnergyNow } from './use-energy.ts';

/** Wanted is not reached, and how it would be at the least cost. */
export interface Nearest {
  readonly way: NearestWay | null;
  /** kWh a year that are wanted beyond what is taken up. */
  readonly rest: number;
}

export function nearestNow({ kit, survey, measures, dangers }: EnergyNow): Nearest | null {
  const wanted = kit.wantedOf(survey);
  const { house, savings, terms } = survey;
  if (wanted === null) return null;
  const rest = wanted - (savings.before.total - savings.after.total);
  if (rest <= 0.5) return null;
  const taken: readonly Taken[] = savings.each;
  const open = kit.openTo(house, taken, measures, terms, dangers);
  return { rest, way: kit.nearestWay(house, taken, open, savings.before.total - wanted, terms) };
}

/** A moment after the last answer, so that nothing waits for it while something is entered. */
const REST_MS = 250;

export function useNearest(now: EnergyNow | null): Nearest | null {
  const [nearest, setNearest] = useState<Nearest | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setNearest(now && nearestNow(now)), REST_MS);
    return () => clearTimeout(timer);
  }, [now]);
  return nearest;
}
