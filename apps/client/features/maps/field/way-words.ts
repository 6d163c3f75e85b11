import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import type { Leg } from '@ant-trail/core/maps/ways';

export interface SaidLeg {
  readonly at: string;
  readonly words: string;
  readonly about: string;
}

const long = (minutes: number): string =>
  minutes < 1 ? 'under a minute' : sayLength(Math.round(minutes));

/** What to do piece by piece, with the hour each begins. */
export function sayLegs(legs: readonly Leg[], leaving: number): SaidLeg[] {
  let now = leaving;
  return legs.map((leg) => {
    const said = { at: sayMinute(Math.floor(now)), ...sayLeg(leg, now) };
    now += leg.minutes;
    return said;
  });
}

function sayLeg({ by, name, metres, minutes, waits }: Leg, now: number): Omit<SaidLeg, 'at'> {
  const far = sayDistance(metres);
  if (by === 'riding')
    return {
      words: `Ride the ${name || 'cableway'}`,
      about: `goes at ${sayMinute(Math.ceil(now + waits))}, there in ${long(minutes - waits)}`,
    };
  if (by === 'driving')
    return { words: `Drive: ${name || 'road'}`, about: `${far}, ${long(minutes)}` };
  return {
    words: name ? `Walk: ${name}` : 'Walk across',
    about: `${far}, ${long(minutes)}`,
  };
}
