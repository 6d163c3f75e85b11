/** One stop of a round: a place, or a thing or an area at it, with the sheet that is filled in there. */
export interface RoundStop {
  readonly site: string;
  readonly asset: string | null;
  readonly template: string;
  /** How long it takes. */
  readonly minutes: number;
}

/** Stops at one place that follow one another: they are one visit, with a sheet for each. */
export interface RoundLeg<Stop extends RoundStop = RoundStop> {
  readonly site: string;
  readonly stops: readonly Stop[];
  readonly minutes: number;
  /** Minutes of the day. */
  readonly start: number;
}

const MINUTES_A_DAY = 1_440;
/** A visit is planned for so long at the least and at the most. */
const LEAST_MINUTES = 5;
const MOST_MINUTES = 720;

/**
 * A round as the visits it is walked in: stops at one place one after the other are one visit. Each
 * begins when the one before is over and the way there is done; none later than the last minute of the
 * day. `wayMinutes` says how long it takes from one place to another.
 */
export function legsOf<Stop extends RoundStop>(
  stops: readonly Stop[],
  start: number,
  wayMinutes: (from: string, to: string) => number,
): RoundLeg<Stop>[] {
  const legs: { site: string; stops: Stop[] }[] = [];
  for (const stop of stops) {
    const leg = legs.at(-1);
    if (leg?.site === stop.site) leg.stops.push(stop);
    else legs.push({ site: stop.site, stops: [stop] });
  }
  let at = start;
  return legs.map(({ site, stops: there }, index) => {
    const before = legs[index - 1];
    if (before) at += wayMinutes(before.site, site);
    const took = there.reduce((sum, { minutes }) => sum + minutes, 0);
    const minutes = Math.min(Math.max(took, LEAST_MINUTES), MOST_MINUTES);
    const begins = Math.min(Math.ceil(at / 5) * 5, MINUTES_A_DAY - LEAST_MINUTES);
    at = begins + minutes;
    return { site, stops: there, minutes, start: begins };
  });
}
