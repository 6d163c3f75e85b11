import type { ClockStep } from '@ant-trail/core/timesheet';
import type { Chance } from './chance.ts';

/** What somebody says of a day, in minutes of it. */
export interface SaidOfDay {
  readonly step: ClockStep;
  readonly minute: number;
  /** Set right by: the minute it really was, and why. */
  readonly right?: { readonly minute: number; readonly why: string };
}

/** Work begins a little before the first stop and ends a little after the last; lunch where it is long. */
export function saidOfDay(
  first: number,
  last: number,
  chance: Chance,
  { forgets = false, corrects = false } = {},
): SaidOfDay[] {
  const began = first - 12 - Math.round(chance.between(0, 14));
  const ended = last + 8 + Math.round(chance.between(0, 25));
  const lunch = Math.max(12 * 60, began + 200) + Math.round(chance.between(0, 20));
  const long = ended - began > 6 * 60 && lunch + 40 < ended;
  return [
    {
      ...{ step: 'began' as const, minute: began },
      ...(corrects ? { right: { minute: began - 30, why: 'Loaded the tricycle first' } } : {}),
    },
    ...(long
      ? [
          { step: 'break' as const, minute: lunch },
          { step: 'back' as const, minute: lunch + 30 + Math.round(chance.between(0, 8)) },
        ]
      : []),
    ...(forgets ? [] : [{ step: 'ended' as const, minute: ended }]),
  ];
}
