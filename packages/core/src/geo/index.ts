export { distanceMetres, type Place, sayDistance } from './distance.ts';
export { type Fix, judgePresence, type Presence, SITE_RADIUS_M } from './presence.ts';
