export {
  addDays,
  daysBetween,
  fromZone,
  inZone,
  type LocalMoment,
  sayLength,
  readMinute,
  readTimeOfDay,
  sayMinute,
  weekdayOf,
} from './local.ts';
