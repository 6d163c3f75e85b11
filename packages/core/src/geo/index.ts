export { distanceMetres, type Place, sayDistance } from './distance.ts';
export { type Fix, judgePresence, type Presence } from './presence.ts';
