import type { Fix } from '@ant-trail/core/geo';

const PATIENCE_MS = 8_000;

/** Where the phone is, or null when it can't tell: that never keeps anybody from working. */
export function currentFix(): Promise<Fix | null> {
  return new Promise((resolve) => {
    if (!('geolocation' in navigator)) {
      resolve(null);
      return;
    }
    navigator.geolocation.getCurrentPosition(
      ({ coords }) =>
        resolve({ lat: coords.latitude, lon: coords.longitude, accuracy: coords.accuracy }),
      () => resolve(null),
      { enableHighAccuracy: true, timeout: PATIENCE_MS, maximumAge: 15_000 },
    );
  });
}
