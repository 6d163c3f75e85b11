export {
  type GoesBy,
  type Leg,
  type LegBy,
  type Timetable,
  type Way,
  type WayLine,
  WayNetwork,
} from './network.ts';
export { type LayerOfWays, timetableOf, wayLines } from './way-lines.ts';
