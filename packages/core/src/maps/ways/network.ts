import FlatQueue from 'flatqueue';
import { distanceMetres, type Place } from '../../geo/index.ts';
import { meetAtCrossings } from './crossings.ts';
import type { Timetable, WayLine } from './way-line.ts';

/** Whether somebody has a vehicle with them, or goes on foot; either may take a cableway. */
export type GoesBy = 'vehicle' | 'foot';

/** How a piece of a way is gone. */
export type LegBy = 'driving' | 'walking' | 'riding';

export interface Leg {
  readonly by: LegBy;
  /** What the map calls it; empty where it has no name, and across country. */
  readonly name: string;
  readonly metres: number;
  readonly minutes: number;
  /** Minutes of waiting in it, for a cableway. */
  readonly waits: number;
  readonly line: readonly (readonly [number, number])[];
}

export interface Way {
  readonly minutes: number;
  readonly metres: number;
  readonly legs: readonly Leg[];
}

/** km/h over mountain roads (our own choice, no source). */
const DRIVING_KMH = 24;
/** km/h on paths (common practice, no source: 5 km/h on the flat, less on rough ground). */
const WALKING_KMH = 4;
/** m/s along a cable, where no timetable says how long a ride takes (our own choice, no source). */
const RIDING_MS = 5;
/** Across country the way is longer than the straight line by this factor (common practice, no source). */
const DETOUR = 1.35;
/** What lies further from any way is not reached by this map. */
const FURTHEST_OFF_M = 3_000;
/** So near one walks straight across where that is sooner. */
const ACROSS_M = 800;
/** Corners of two lines nearer than about a metre are the same. */
const GRID = 1e5;

/** A straight piece longer than this has corners in between; but never so many. */
const PIECE_M = 200;
const MOST_PIECES = 100;

const walking = (metres: number): number => (metres / 1000 / WALKING_KMH) * 60;
const driving = (metres: number): number => (metres / 1000 / DRIVING_KMH) * 60;

interface Edge {
  readonly to: number;
  readonly metres: number;
  readonly line: number;
}

/** With the vehicle, and after leaving it. */
const STATES = 2;

/** What the search knows of each corner and state. */
interface Reached {
  readonly minutes: Float64Array;
  readonly metres: Float64Array;
  readonly from: Int32Array;
  /** The line by which it was reached; -1 where the vehicle was left there. */
  readonly by: Int32Array;
  readonly waits: Float64Array;
}

/** The ways of a map as a net: how long it takes from one place to another, and along what. */
export class WayNetwork {
  readonly #lines: readonly WayLine[];
  readonly #corners: (readonly [number, number])[] = [];
  readonly #edges: Edge[][] = [];

  constructor(lines: readonly WayLine[]) {
    this.#lines = meetAtCrossings(lines);
    const known = new Map<string, number>();
    const cornerOf = ({ at: [lon, lat], of }: Spot): number => {
      const key = `${Math.round(lon * GRID)} ${Math.round(lat * GRID)} ${of}`;
      const corner = known.get(key) ?? this.#corners.push([lon, lat]) - 1;
      known.set(key, corner);
      this.#edges[corner] ??= [];
      return corner;
    };
    this.#lines.forEach((way, index) => {
      const spots = spotsOf(way, index).map(cornerOf);
      spots.slice(1).forEach((b, i) => {
        const a = spots[i] ?? b;
        if (a === b) return;
        const metres = this.#between(a, b);
        this.#edges[a]?.push({ to: b, metres, line: index });
        this.#edges[b]?.push({ to: a, metres, line: index });
      });
    });
  }

  get isEmpty(): boolean {
    return this.#corners.length === 0;
  }

  #place(corner: number): Place {
    const [lon, lat] = this.#corners[corner] as readonly [number, number];
    return { lat, lon };
  }

  #between(a: number, b: number): number {
    return distanceMetres(this.#place(a), this.#place(b));
  }

  /**
   * The soonest way from one place to another; null where the map has none. `leaving` is a minute of
   * the day: cableways are waited for by their timetable then, and for half the time between two
   * departures where it is not said.
   */
  way(from: Place, to: Place, by: GoesBy, leaving?: number): Way | null {
    const begin = this.#nearest(from);
    const end = this.#nearest(to);
    const across = this.#across(from, to);
    if (!begin || !end) return across;
    const on = walking(begin.metres);
    const reached = this.#search(
      begin.corner,
      by,
      leaving === undefined ? undefined : leaving + on,
    );
    const states = [0, 1].map((state) => end.corner * STATES + state);
    const last = states.reduce((best, each) =>
      (reached.minutes[each] as number) < (reached.minutes[best] as number) ? each : best,
    );
    const took = reached.minutes[last] as number;
    if (took === Infinity) return across;
    const off = walking(end.metres);
    const legs = [
      ...this.#onFoot(from, this.#place(begin.corner), begin.metres),
      ...this.#legs(reached, last),
      ...this.#onFoot(this.#place(end.corner), to, end.metres),
    ];
    const way = {
      minutes: on + took + off,
      metres: begin.metres + (reached.metres[last] as number) + end.metres,
      legs,
    };
    return across && across.minutes <= way.minutes ? across : way;
  }

  /** Minutes and metres from each place to each other, row by row; Infinity where there is no way. */
  table(
    places: readonly Place[],
    by: GoesBy,
  ): { readonly minutes: Float64Array; readonly metres: Float64Array } {
    const count = places.length;
    const minutes = new Float64Array(count ** 2).fill(Infinity);
    const metres = new Float64Array(count ** 2).fill(Infinity);
    const ends = places.map((place) => this.#nearest(place));
    const searched = new Map<number, Reached>();
    places.forEach((from, a) => {
      const begin = ends[a];
      if (begin && !searched.has(begin.corner))
        searched.set(begin.corner, this.#search(begin.corner, by));
      const reached = begin && searched.get(begin.corner);
      places.forEach((to, b) => {
        const at = a * count + b;
        const end = ends[b];
        if (a === b) minutes[at] = metres[at] = 0;
        else if (begin && end && reached) {
          const corner = end.corner * STATES;
          const last =
            (reached.minutes[corner] as number) <= (reached.minutes[corner + 1] as number)
              ? corner
              : corner + 1;
          minutes[at] =
            walking(begin.metres) + (reached.minutes[last] as number) + walking(end.metres);
          metres[at] = begin.metres + (reached.metres[last] as number) + end.metres;
        }
        const across = a === b ? null : this.#across(from, to);
        if (across && across.minutes < (minutes[at] as number)) {
          minutes[at] = across.minutes;
          metres[at] = across.metres;
        }
      });
    });
    return { minutes, metres };
  }

  #nearest(place: Place): { readonly corner: number; readonly metres: number } | null {
    let corner = -1;
    let least = FURTHEST_OFF_M;
    for (let each = 0; each < this.#corners.length; each++) {
      const metres = distanceMetres(place, this.#place(each));
      if (metres < least) [corner, least] = [each, metres];
    }
    return corner < 0 ? null : { corner, metres: least * DETOUR };
  }

  #across(from: Place, to: Place): Way | null {
    const metres = distanceMetres(from, to);
    if (metres > ACROSS_M) return null;
    const legs = this.#onFoot(from, to, metres * DETOUR);
    return { minutes: walking(metres * DETOUR), metres: metres * DETOUR, legs };
  }

  #onFoot(from: Place, to: Place, metres: number): Leg[] {
    if (metres < 1) return [];
    const line = [from, to].map(({ lon, lat }) => [lon, lat] as const);
    return [{ by: 'walking', name: '', metres, minutes: walking(metres), waits: 0, line }];
  }

  /** E. W. Dijkstra’s shortest paths (1959), over hours: whoever is anywhere sooner is never later for it. */
  #search(begin: number, by: GoesBy, leaving?: number): Reached {
    const size = this.#corners.length * STATES;
    const minutes = new Float64Array(size).fill(Infinity);
    const metres = new Float64Array(size).fill(Infinity);
    const waits = new Float64Array(size);
    const from = new Int32Array(size).fill(-1);
    const line = new Int32Array(size).fill(-1);
    const queue = new FlatQueue<number>();
    const start = begin * STATES + (by === 'vehicle' ? 0 : 1);
    minutes[start] = metres[start] = 0;
    queue.push(start, 0);
    const relax = (
      to: number,
      took: number,
      far: number,
      at: number,
      by: number,
      wait: number,
    ): void => {
      if (took >= (minutes[to] as number)) return;
      minutes[to] = took;
      metres[to] = far;
      from[to] = at;
      line[to] = by;
      waits[to] = wait;
      queue.push(to, took);
    };
    for (;;) {
      const took = queue.peekValue();
      const at = queue.pop();
      if (at === undefined || took === undefined) break;
      if (took > (minutes[at] as number)) continue;
      const corner = at >> 1;
      const drives = (at & 1) === 0;
      const far = metres[at] as number;
      // The vehicle can be left anywhere; it is not there again on the other side.
      if (drives) relax(at + 1, took, far, at, -1, 0);
      for (const edge of this.#edges[corner] ?? []) {
        const { kind, timetable } = this.#lines[edge.line] as WayLine;
        const to = edge.to * STATES;
        if (kind === 'road' && drives)
          relax(to, took + driving(edge.metres), far + edge.metres, at, edge.line, 0);
        else if (kind === 'cableway') {
          if (drives) continue;
          const now = leaving === undefined ? undefined : leaving + took;
          const wait = waitFor(timetable, now);
          const ride = timetable?.ride ?? edge.metres / RIDING_MS / 60;
          relax(to + 1, took + wait + ride, far + edge.metres, at, edge.line, wait);
        } else if (!drives)
          relax(to + 1, took + walking(edge.metres), far + edge.metres, at, edge.line, 0);
      }
    }
    return { minutes, metres, from, by: line, waits };
  }

  /** What was gone to get somewhere, one piece for each line of the map. */
  #legs(reached: Reached, last: number): Leg[] {
    const steps: number[] = [];
    for (let at = last; at !== -1; at = reached.from[at] as number) steps.unshift(at);
    const legs: { -readonly [Key in keyof Leg]: Leg[Key] }[] = [];
    steps.forEach((at, i) => {
      const before = steps[i - 1];
      const index = reached.by[at] as number;
      if (before === undefined || index === -1) return;
      const { kind, name } = this.#lines[index] as WayLine;
      const by: LegBy =
        kind === 'cableway' ? 'riding' : kind === 'road' && (at & 1) === 0 ? 'driving' : 'walking';
      const metres = (reached.metres[at] as number) - (reached.metres[before] as number);
      const minutes = (reached.minutes[at] as number) - (reached.minutes[before] as number);
      const here = this.#corners[at >> 1] as readonly [number, number];
      const there = this.#corners[before >> 1] as readonly [number, number];
      const open = legs.at(-1);
      // A cableway is changed where the next begins, though both may be called the same.
      if (open && open.by === by && open.name === name && by !== 'riding') {
        open.metres += metres;
        open.minutes += minutes;
        open.line = [...open.line, here];
      } else
        legs.push({
          by,
          name,
          metres,
          minutes,
          waits: reached.waits[at] as number,
          line: [there, here],
        });
    });
    return legs;
  }
}

/** Where a line can be met. Spots of one place are the same corner where they are of the same. */
interface Spot {
  readonly at: readonly [number, number];
  /** The ground, a height above it, or the line alone, where nobody drew a corner. */
  readonly of: string;
}

function spotsOf({ kind, line, level = 0 }: WayLine, index: number): Spot[] {
  const drawn = line.map((at, i): Spot => {
    // A bridge comes down at its ends; what lies below it is not met in between.
    const isEnd = i === 0 || i === line.length - 1;
    return { at, of: isEnd ? '0' : String(level) };
  });
  // Nobody gets on or off between two stations; a way can be met anywhere along it.
  if (kind === 'cableway') return drawn.filter((_, i) => i === 0 || i === drawn.length - 1);
  return drawn.flatMap((to, i) => [...between(drawn[i - 1]?.at, to.at, `line ${index}`), to]);
}

/** Spots of a straight piece between its ends, none further apart than what one sees. */
function between(
  from: readonly [number, number] | undefined,
  to: readonly [number, number],
  of: string,
): Spot[] {
  if (!from) return [];
  const metres = distanceMetres({ lon: from[0], lat: from[1] }, { lon: to[0], lat: to[1] });
  const count = Math.min(MOST_PIECES, Math.ceil(metres / PIECE_M));
  return Array.from({ length: Math.max(0, count - 1) }, (_, i) => {
    const share = (i + 1) / count;
    return {
      at: [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share],
      of,
    };
  });
}

/** Minutes until a cableway goes; Infinity where it does not go any more that day. */
function waitFor(timetable: Timetable | undefined, now: number | undefined): number {
  if (!timetable) return 0;
  const { every, first, last } = timetable;
  if (now === undefined) return every / 2;
  if (now <= first) return first - now;
  const next = first + Math.ceil((now - first) / every - 1e-9) * every;
  return next <= last ? next - now : Infinity;
}
