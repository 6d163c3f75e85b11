import { distanceMetres, type Place } from '../geo/index.ts';

/** Roads are longer than the crow flies, by about this factor (common practice, no source). */
const DETOUR = 1.35;
/** Speed over mountain roads and paths together, in km/h (our own choice, no source). */
const SPEED_KMH = 24;

/** Estimates the way between two places: minutes, and metres along it. */
export function estimateWay(
  from: Place,
  to: Place,
): { readonly minutes: number; readonly metres: number } {
  const metres = distanceMetres(from, to) * DETOUR;
  return { minutes: (metres / 1000 / SPEED_KMH) * 60, metres };
}

/** Estimates travel between two places, in whole minutes. Until the road network is used. */
export function estimateTravelMinutes(from: Place, to: Place): number {
  return Math.ceil(estimateWay(from, to).minutes);
}
