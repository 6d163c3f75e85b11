import type { SaidStep } from '../visit.ts';
import type { LoadOf } from '../loads.ts';
import { isOver } from '../visit.ts';

/** A visit as far as it matters whether it fits into a person's day; minutes of the local day. */
export interface BoardVisit {
  readonly id: string;
  readonly site: string;
  readonly start: number;
  readonly minutes: number;
  /** When somebody may begin by what was promised; null for any time. */
  readonly windowFrom: number | null;
  readonly windowTo: number | null;
  readonly events: readonly SaidStep[];
  /** What it takes of a vehicle, by what is measured. */
  readonly takes?: readonly LoadOf[];
  /** Nothing more is done about the job. */
  readonly settled: boolean;
}

/** Plans are kept in whole minutes, ways are not: so much is no reason to warn. */
export const WAY_ROUNDING = 1;

/** How long the way from one visit's place to another's takes, in minutes. */
export type WayMinutes = (from: BoardVisit, to: BoardVisit) => number;

/** Nobody has set off to it, and somebody is to. */
export const isAhead = ({ events, settled }: BoardVisit): boolean =>
  !settled && events.length === 0;

/** It takes nobody's time any more. */
export const isPast = ({ events, settled }: BoardVisit): boolean => settled || isOver(events);

export const endOf = ({ start, minutes }: BoardVisit): number => start + minutes;

/** In the order of their hours; of two at the same time the shorter comes first. */
export const byHour = <Visit extends BoardVisit>(visits: readonly Visit[]): Visit[] =>
  [...visits].sort(
    (a, b) =>
      a.start - b.start || a.minutes - b.minutes || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
  );
