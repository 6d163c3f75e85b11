import { demandsTogether, sameName, type Demands } from '../accounts/index.ts';
import { weekdayOf } from '../calendar/index.ts';

/** Working hours on a day of the week, in minutes since midnight of that day. */
export interface WorkingHours {
  /** ISO 8601: 1 for Monday to 7 for Sunday. */
  readonly weekday: number;
  readonly from: number;
  readonly to: number;
}

/** Days somebody is not there, the first and the last included. */
export interface Absence {
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

/** A person, as far as it matters whether work can be given to them. */
export interface Worker {
  readonly skills: readonly string[];
  /** The last day each counts. */
  readonly credentials: readonly { readonly kind: string; readonly expiresOn: string }[];
  /** Nothing is known of somebody who has none: any hour is as good. */
  readonly hours: readonly WorkingHours[];
  readonly absences: readonly Absence[];
}

/** When the work is to be done. */
export interface WorkTime {
  readonly day: string;
  /** Minutes since midnight. */
  readonly start: number;
  readonly minutes: number;
}

/** Why somebody does not suit. Words are made where it is shown. */
export type Shortfall =
  | { readonly code: 'no credential'; readonly name: string }
  | { readonly code: 'credential expired'; readonly name: string; readonly on: string }
  | { readonly code: 'no skill'; readonly name: string }
  | { readonly code: 'absent'; readonly from: string; readonly to: string; readonly why: string }
  /** `hours` are those of that day, none on a day off. */
  | { readonly code: 'outside hours'; readonly hours: readonly { from: number; to: number }[] };

/**
 * What speaks against giving work to a person, worst first; empty where nothing does. A credential
 * counts on its last day. One that has expired is told even where nobody demands it, unless another of
 * its kind still counts. Nothing here forbids: the office decides.
 */
export function shortfalls(worker: Worker, demands: Demands, time: WorkTime): Shortfall[] {
  const wanted = demandsTogether([demands]);
  const counts = new Map<string, string>();
  for (const { kind, expiresOn } of worker.credentials) {
    const key = sameName(kind);
    if (expiresOn > (counts.get(key) ?? '')) counts.set(key, expiresOn);
  }
  const demanded = new Set(wanted.credentials.map(sameName));
  const expired = [...counts].flatMap(([key, on]): Shortfall[] => {
    if (on >= time.day) return [];
    const name = worker.credentials.find(({ kind }) => sameName(kind) === key)?.kind ?? key;
    return [{ code: 'credential expired', name, on }];
  });
  const isDemanded = (fall: Shortfall): boolean =>
    'name' in fall && demanded.has(sameName(fall.name));
  const skills = new Set(worker.skills.map(sameName));
  return [
    ...wanted.credentials
      .filter((name) => !counts.has(sameName(name)))
      .map((name): Shortfall => ({ code: 'no credential', name })),
    ...expired.filter(isDemanded),
    ...wanted.skills
      .filter((name) => !skills.has(sameName(name)))
      .map((name): Shortfall => ({ code: 'no skill', name })),
    ...worker.absences
      .filter(({ from, to }) => from <= time.day && time.day <= to)
      .map(({ from, to, why }): Shortfall => ({ code: 'absent', from, to, why })),
    ...outsideHours(worker, time),
    ...expired.filter((fall) => !isDemanded(fall)),
  ];
}

const DAY = 24 * 60;

/** Work has to lie within hours with no gap between them; what goes past midnight runs into the next day's. */
function outsideHours({ hours }: Worker, { day, start, minutes }: WorkTime): Shortfall[] {
  if (hours.length === 0) return [];
  const weekday = weekdayOf(day);
  const on = (which: number, later: number): { from: number; to: number }[] =>
    hours
      .filter((each) => each.weekday === which)
      .map(({ from, to }) => ({ from: from + later, to: to + later }))
      .sort((a, b) => a.from - b.from);
  const today = on(weekday, 0);
  const line = [...today, ...on((weekday % 7) + 1, DAY)];
  if (!line.some(({ from, to }) => from <= start && start < to))
    return [{ code: 'outside hours', hours: today }];
  let reached = start;
  for (const { from, to } of line) if (from <= reached && to > reached) reached = to;
  return reached >= start + minutes ? [] : [{ code: 'outside hours', hours: today }];
}
