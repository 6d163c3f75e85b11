import fc from 'fast-check';
import geodesic from 'geographiclib-geodesic';
import { distanceMetres, judgePresence, sayDistance } from '../src/geo/index.ts';

const place = fc.record({
  lat: fc.double({ min: -89, max: 89, noNaN: true }),
  lon: fc.double({ min: -180, max: 180, noNaN: true }),
});
const wgs84 = geodesic.Geodesic.WGS84;

// The reference: geographiclib-geodesic. A sphere differs from the ellipsoid by up to about 0.6 %.
test('great-circle distance is within 0.6 % of the geodesic', () => {
  fc.assert(
    fc.property(place, place, (a, b) => {
      const { s12 = 0 } = wgs84.Inverse(a.lat, a.lon, b.lat, b.lon);
      const off = Math.abs(distanceMetres(a, b) - s12);
      expect(off).toBeLessThanOrEqual(Math.max(0.006 * s12, 0.01));
    }),
    { numRuns: 500 },
  );
});

// JFK to LHR, 5551.759 km along the geodesic (GeographicLib's own example; from memory).
test('JFK to LHR', () => {
  const [jfk, lhr] = [
    { lat: 40.6, lon: -73.8 },
    { lat: 51.6, lon: -0.5 },
  ];
  expect(wgs84.Inverse(jfk.lat, jfk.lon, lhr.lat, lhr.lon).s12).toBeCloseTo(5_551_759.4, 0);
  expect(Math.abs(distanceMetres(jfk, lhr) - 5_551_759)).toBeLessThan(0.006 * 5_551_759);
});

describe('presence', () => {
  const site = { lat: 38.65, lon: -41.3 };
  const north = (metres: number) => site.lat + metres / 111_195;
  test.each([
    [20, 10, 'at the site'],
    [149, 5, 'at the site'],
    [400, 300, 'at the site'],
    [400, 50, 'far away'],
    [5000, 20, 'far away'],
    [10, 5000, 'cannot tell'],
  ])('%d m away, sure to %d m: %s', (metres, accuracy, verdict) => {
    const fix = { lat: north(metres), lon: site.lon, accuracy };
    expect(judgePresence(site, fix).verdict).toBe(verdict);
  });

  test.each([
    [400, 'at the site'],
    [100, 'far away'],
    // A place with none has the usual one.
    [null, 'far away'],
    [undefined, 'far away'],
  ])('counts by the radius of the place itself: %s m', (radius, verdict) => {
    const fix = { lat: north(300), lon: site.lon, accuracy: 20 };
    expect(judgePresence({ ...site, radius }, fix).verdict).toBe(verdict);
  });

  test('distances are said as people say them', () => {
    expect([12, 996, 1234, 15_400].map(sayDistance)).toEqual(['10 m', '995 m', '1.2 km', '15 km']);
  });
});
