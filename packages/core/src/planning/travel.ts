import { distanceMetres, type Place } from '../geo/index.ts';

/** Roads are longer than the crow flies, by about this factor (common practice, no source). */
const DETOUR = 1.35;
/** Speed over mountain roads and paths together, in km/h (our own choice, no source). */
const SPEED_KMH = 24;

/** Estimates travel between two places, in whole minutes. Until the road network is used. */
export function estimateTravelMinutes(from: Place, to: Place): number {
  const km = (distanceMetres(from, to) * DETOUR) / 1000;
  return Math.ceil((km / SPEED_KMH) * 60);
}
