/** A place on Earth, WGS 84, in degrees: latitude −90…90, longitude −180…180. */
export interface Place {
  readonly lat: number;
  readonly lon: number;
}

/** Mean Earth radius R₁ of IUGG/GRS 80, in metres (Moritz, Geodetic Reference System 1980). */
const EARTH_RADIUS_M = 6_371_008.8;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Great-circle distance in metres, by the haversine formula (Sinnott, 1984). Against the geodesic
 * on the ellipsoid it is at most about 0.6 % off, which is far below what a phone's position is.
 */
export function distanceMetres(from: Place, to: Place): number {
  const dLat = radians(to.lat - from.lat);
  const dLon = radians(to.lon - from.lon);
  const h =
    Math.sin(dLat / 2) ** 2 +
    Math.cos(radians(from.lat)) * Math.cos(radians(to.lat)) * Math.sin(dLon / 2) ** 2;
  return 2 * EARTH_RADIUS_M * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** A distance as people say it: "40 m", "1.2 km". */
export function sayDistance(metres: number): string {
  if (metres < 1000) return `${Math.round(metres / 5) * 5} m`;
  return `${(metres / 1000).toFixed(metres < 10_000 ? 1 : 0)} km`;
}
