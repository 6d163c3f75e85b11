export { type GoesBy, type Leg, type LegBy, type Way, WayNetwork } from './network.ts';
export { type LayerOfWays, timetableOf, wayLines } from './way-lines.ts';
export type { Timetable, WayLine } from './way-line.ts';
