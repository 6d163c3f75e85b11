import { distanceMetres, type Place } from './distance.ts';

/** A position as the phone measured it; accuracy is the 68 % radius in metres. */
export interface Fix extends Place {
  readonly accuracy: number;
}

export interface Presence {
  readonly distance: number;
  readonly accuracy: number;
  readonly verdict: 'at the site' | 'far away' | 'cannot tell';
}

/** Beyond this a position no longer counts as at a site with no radius of its own, in metres (our own choice, no source). */
export const SITE_RADIUS_M = 150;
/** A fix less sure than this says nothing about presence, in metres (our own choice, no source). */
const USELESS_ACCURACY_M = 1000;

/**
 * Judges whether a fix proves presence at a site. The doubt is given to the person: only when the
 * whole circle of accuracy lies outside the site's radius are they "far away". It never blocks.
 */
export function judgePresence(
  site: Place & { /** In metres. */ readonly radius?: number | null | undefined },
  fix: Fix,
): Presence {
  const distance = distanceMetres(site, fix);
  const { accuracy } = fix;
  if (accuracy > USELESS_ACCURACY_M) return { distance, accuracy, verdict: 'cannot tell' };
  const verdict = distance - accuracy > (site.radius ?? SITE_RADIUS_M) ? 'far away' : 'at the site';
  return { distance, accuracy, verdict };
}
