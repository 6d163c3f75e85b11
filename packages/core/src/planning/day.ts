/** A visit as it was planned, in minutes of the local day. */
export interface PlannedStop {
  readonly id: string;
  readonly start: number;
  readonly minutes: number;
}

/** What really happened at a stop, in minutes of the local day; absent while it has not. */
export interface WalkedStop {
  readonly setOff?: number;
  readonly arrived?: number;
  readonly left?: number;
}

export type Stop = PlannedStop & { readonly walked: WalkedStop };

/** A point of a lane: when, and how far along the person's day (0 to 1 over the lane's stops). */
export interface LanePoint {
  readonly minute: number;
  readonly depth: number;
}

export interface Lane {
  /** One level piece and one slope per stop, as planned. */
  readonly planned: readonly LanePoint[];
  /** What was really walked so far, ending at now or at the last thing known. */
  readonly walked: readonly LanePoint[];
  /** Where each stop's mark stands. */
  readonly marks: readonly (LanePoint & {
    readonly id: string;
    readonly state: StopState;
  })[];
}

export type StopState = 'ahead' | 'next' | 'here' | 'done' | 'late';

/** A stop not reached this long after its planned start is late, in minutes (our own choice). */
export const LATE_AFTER_MIN = 10;

/** How late a stop is at a moment: minutes since its planned start, 0 once somebody arrived or turned back. */
export function minutesLate(stop: Stop, now: number): number {
  if (stop.walked.arrived !== undefined || stop.walked.left !== undefined) return 0;
  const late = now - stop.start;
  return late > LATE_AFTER_MIN ? late : 0;
}

/**
 * Draws a person's day as a space-time lane: stops are level, travel between them slopes down.
 * `now` is the minute of the day, or null when the day is not today.
 */
export function layLane(stops: readonly Stop[], now: number | null): Lane {
  const ordered = [...stops].sort((a, b) => a.start - b.start);
  const depthOf = (index: number): number =>
    ordered.length < 2 ? 0 : index / (ordered.length - 1);
  const planned: LanePoint[] = [];
  const walked: LanePoint[] = [];
  const marks: Lane['marks'][number][] = [];
  let nextFound = false;
  ordered.forEach((stop, index) => {
    const depth = depthOf(index);
    planned.push({ minute: stop.start, depth }, { minute: stop.start + stop.minutes, depth });
    const { arrived, left, setOff } = stop.walked;
    if (setOff !== undefined && arrived === undefined && now !== null) {
      const above = depthOf(Math.max(0, index - 1));
      walked.push({ minute: setOff, depth: above }, { minute: now, depth: (above + depth) / 2 });
    }
    if (arrived !== undefined) {
      walked.push({ minute: arrived, depth });
      if (left !== undefined) walked.push({ minute: left, depth });
      else if (now !== null && now > arrived) walked.push({ minute: now, depth });
    }
    const state = stateOf(stop, now, nextFound);
    if (state === 'next' || state === 'late') nextFound = true;
    marks.push({ id: stop.id, minute: arrived ?? stop.start, depth, state });
  });
  return { planned, walked: walked.sort((a, b) => a.minute - b.minute), marks };
}

function stateOf(stop: Stop, now: number | null, nextFound: boolean): StopState {
  if (stop.walked.left !== undefined) return 'done';
  if (stop.walked.arrived !== undefined) return 'here';
  if (now !== null && minutesLate(stop, now) > 0) return 'late';
  return nextFound ? 'ahead' : 'next';
}
