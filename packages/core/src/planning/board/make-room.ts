import {
  byHour,
  endOf,
  isAhead,
  isPast,
  type BoardVisit,
  type WayMinutes,
  WAY_ROUNDING,
} from './board-visit.ts';

const DAY_MINUTES = 24 * 60;
/** Plans are said in steps of so many minutes. */
export const PLAN_STEP = 5;

/** The nearest time of a plan within the day, for any minute. */
export const planMinute = (minute: number): number =>
  Math.min(DAY_MINUTES - PLAN_STEP, Math.max(0, Math.round(minute / PLAN_STEP) * PLAN_STEP));

const onStep = (minute: number): number => Math.ceil(minute / PLAN_STEP) * PLAN_STEP;

/**
 * When one person's visits begin so that one follows the other with the way between: later where they
 * have to, never earlier, and only those nobody has set off to. Gives those that move with their new
 * minute; null where the day is too short for it.
 */
export function makeRoom(
  visits: readonly BoardVisit[],
  way: WayMinutes,
): ReadonlyMap<string, number> | null {
  const due = byHour(visits.filter((each) => !isPast(each)));
  const begun = due.filter((each) => !isAhead(each));
  const placed: BoardVisit[] = [];
  const moved = new Map<string, number>();
  for (const visit of due.filter(isAhead)) {
    let at = visit;
    // Step by step: past what somebody is at already, less may be needed than before it.
    while (at.start < DAY_MINUTES && at.start < freeAfter(placed, begun, at, way))
      at = { ...at, start: onStep(at.start + 1) };
    if (at.start >= DAY_MINUTES) return null;
    if (at.start !== visit.start) moved.set(visit.id, at.start);
    placed.push(at);
  }
  return moved;
}

/** When somebody is there at the soonest, coming from what keeps them longest before. */
function freeAfter(
  placed: readonly BoardVisit[],
  begun: readonly BoardVisit[],
  visit: BoardVisit,
  way: WayMinutes,
): number {
  const before = [...placed, ...begun.filter((each) => byHour([each, visit])[0] === each)];
  const [busiest] = before.sort((a, b) => endOf(b) - endOf(a));
  if (!busiest) return 0;
  const travel = busiest.site === visit.site ? 0 : Math.ceil(way(busiest, visit));
  return endOf(busiest) + Math.max(0, travel - WAY_ROUNDING);
}
