import { lastTry, turningBack, type SaidStep } from '../planning/index.ts';
import type { Span } from './clock.ts';

export interface TimedStep extends SaidStep {
  readonly at: string;
}

/** What somebody put right about their time at a visit. */
export interface SiteTime {
  /** Ordered by time: a later one has a greater id. */
  readonly id: string;
  readonly visit: string;
  readonly from: string;
  readonly to: string;
}

export interface AtVisit {
  /** On the way there; null where nobody said they set off. */
  readonly onWay: Span | null;
  /** There, by their own steps or as it was put right; null where nobody arrived. */
  readonly there: Span | null;
  readonly corrected: boolean;
}

/** The time at a visit by itself: from setting off to arriving, and from arriving to leaving. */
export function timeAtVisit(
  events: readonly TimedStep[],
  corrections: readonly SiteTime[],
): AtVisit {
  const tries = lastTry(events);
  const find = (kind: SaidStep['kind']) => tries.find((step) => step.kind === kind)?.at ?? null;
  const [setOff, arrived] = [find('set off'), find('arrived')];
  const left = find('left') ?? turningBack(events)?.at ?? null;
  const [corrected] = [...corrections].sort((a, b) => (a.id > b.id ? -1 : 1));
  return {
    onWay: setOff === null ? null : { from: setOff, to: arrived ?? left },
    there: corrected
      ? { from: corrected.from, to: corrected.to }
      : arrived === null
        ? null
        : { from: arrived, to: left },
    corrected: corrected !== undefined,
  };
}
